// Who does which visit when, and what is left undone: musts first, then whatever brings most; how much better any other plan could be.
import { anneal, changesFor, MOST_TRIED } from './anneal';
import { Board } from './board';
import { type Choices, choicesOf, onTime } from './choices';
import { isAsked, PINNED, singly, taken } from './columns';
import { fill, fillByPlot, improve, type Prices } from './improve';
import { type Column, programOf, type Solver } from './lp';
import { type Model, modelOf, type Option, placeOf } from './model';
import { boundByPlots } from './plotwise';
import { FEW_ROUNDS, type Priced, ROUNDS, roughPrices } from './prices';
import type { CampaignInput, CampaignPlan, CampaignVisit } from './shapes';
import { told } from './told';

/** Up to so many choices the whole season is one program with whole numbers too, which mostly proves the plan best. */
const WHOLE_CHOICES = 400;
const MOST_NODES = 300;
const MUST_CHOICES = 400;
export interface CampaignSolved {
  plan: CampaignPlan;
  /** Points that one more minute brings: by pool, then by slot. */
  prices: number[][];
}

/** So many rounds of the bound; where fewer bring it near no more are made. */
const BOUND_ROUNDS = 200;
/** Of a large plan that is only repaired, which nobody waits long for. */
const FEW_BOUND_ROUNDS = 40;
/** So often a season is tried by chance, where all tries together are no more than half the work of a large one. */
const MOST_TRIES = 3;

/**
 * Of more, whoever goes plot by plot without prices does worse than visit by visit, and takes longer; and prices by few rounds are enough to begin with.
 */
const MANY_BY_HAND = 1000;

/** A visit that has a day already moves only where that brings so many points. Common practice, no source. */
export const WORTH_MOVING = 0.5;

/**
 * The best plan that is found: lateness of musts first, then points. The same input brings the same plan.
 *
 * @param solver a solver of linear programs with whole numbers
 * @param before how the plan of before has it: what still fits stays there, unless another plan brings more than `WORTH_MOVING` for each that moves
 */
export function solveCampaign(
  input: CampaignInput,
  solver: Solver,
  before: CampaignPlan['done'] = [],
): CampaignSolved {
  const task = taskOf(input, solver);
  const { model } = task;
  if (before.length === 0) {
    const { best, bound, prices } = searched(task);
    return { plan: told(best, bound), prices: pricesBySlot(model, prices) };
  }
  const kept = asBefore(task, before);
  const improved = completed(task, Board.copyOf(kept));
  const found = isSmall(model) ? searched(task) : repaired(task, kept, improved);
  const bound = Math.max(found.bound, found.best.gain(), improved.gain());
  const plan = keeping(model, kept, [found.best, improved]);
  return { plan: told(plan, bound), prices: pricesBySlot(model, found.prices) };
}

/**
 * A plan that is there at once: lateness of musts first, as in every plan, then each visit where it brings most, made better by exchanges. No better than
 * the one by `solveCampaign`.
 */
export function firstCampaign(input: CampaignInput, solver: Solver): CampaignSolved {
  const task = taskOf(input, solver);
  const { model, choices } = task;
  const best = byHand(task).reduce(better);
  const { room, bound } = roughly(model, choices);
  return {
    plan: told(best, Math.max(bound, best.gain())),
    prices: pricesBySlot(model, pricedAt(model, room)),
  };
}

function taskOf(input: CampaignInput, solver: Solver): Task {
  const { visits } = input;
  const placed = askedPlaced(input, solver);
  const board = onTime(placed);
  const standing = (is: (visit: CampaignVisit) => boolean) =>
    new Set(visits.flatMap((visit, v) => (is(visit) && board.optionOf(v) ? [v] : [])));
  return {
    ...{ model: board.model, solver, board, placed, choices: choicesOf(placed.model, placed) },
    held: standing(({ must, pin }) => pin !== null && must === null),
    musts: standing(({ must }) => must !== null),
    mays: visits.flatMap(({ must, pin }, v) => (must || pin ? [] : [v])),
  };
}

interface Task {
  model: Model;
  solver: Solver;
  /** Musts and pins where they stand; and the same before musts were kept from being later there: a whole program may have one later and another earlier. */
  board: Board;
  placed: Board;
  choices: Choices;
  /** Pins that stand. */
  held: ReadonlySet<number>;
  /** Musts that stand: they are done, wherever they are no later. */
  musts: ReadonlySet<number>;
  mays: readonly number[];
}

const isSmall = ({ options }: Model) => options.reduce((sum, { length }) => sum + length, 0) <= WHOLE_CHOICES;

function roughly(model: Model, choices: Choices): Priced {
  return roughPrices(model, choices, model.input.visits.length > MANY_BY_HAND ? FEW_ROUNDS : ROUNDS);
}

interface Found {
  best: Board;
  /** Points above leaving all that no plan goes beyond. */
  bound: number;
  prices: Prices;
}

function pricesBySlot({ input }: Model, prices: Prices): number[][] {
  return input.pools.map((_, pool) => input.slots.map((_, slot) => prices({ pool, slot, gain: 0, late: 0 })));
}

const pricedAt =
  ({ input }: Model, room: Float64Array): Prices =>
  (option) =>
    room[placeOf(input, option)] ?? 0;

const better = (a: Board, b: Board) => (b.gain() > a.gain() + 1e-9 ? b : a);

/** Plans without any price: visit by visit, and of no more than `MANY_BY_HAND` plot by plot too. */
function byHand(task: Task): Board[] {
  const { model, board, mays } = task;
  const byPlot = model.input.visits.length <= MANY_BY_HAND ? [plotByPlot(board, mays)] : [];
  return [Board.copyOf(board), ...byPlot].map((made) => completed(task, made));
}

/** From nothing: by the prices of minutes and by chance, and as a whole where that is small enough. */
function searched(task: Task): Found {
  const { model, board, choices, mays } = task;
  const rough = roughly(model, choices);
  const byPrices = (priced: Priced) =>
    [Board.copyOf(board), plotByPlot(board, mays)].map((made) =>
      completed(task, made, pricedAt(model, priced.room)),
    );
  const first = [...byHand(task), ...byPrices(rough)].reduce(better);
  const priced = boundByPlots(model, choices, rough, first.gain(), BOUND_ROUNDS);
  const prices = pricedAt(model, priced.room);
  const bound = Math.min(rough.bound, priced.bound, boundFree(choices));
  const made = byPrices(priced).reduce(better, first);
  if (isSmall(model)) return { ...asWhole(task, made, bound), prices };
  const half = MOST_TRIED / 2 / changesFor(model.input.visits.length);
  const tries = Math.max(1, Math.min(MOST_TRIES, Math.floor(half)));
  const best = Array.from({ length: tries }, (_, i) => annealed(task, made, priced, i)).reduce(better, made);
  return { best, bound, prices };
}

/** Made better by chance, and what room is left filled. */
function annealed(task: Task, from: Board, priced: Priced, seed: number): Board {
  const board = Board.copyOf(from);
  anneal(board, priced, task, seed);
  return completed(task, board, pricedAt(task.model, priced.room));
}

/** No plan brings more than each visit where it brings most. */
function boundFree({ options, required }: Choices): number {
  return options.reduce((sum, all, v) => {
    const most = Math.max(...all.map(({ gain }) => gain));
    return sum + (required[v] ? most : Math.max(0, most));
  }, 0);
}

/** As one program with whole numbers. */
function asWhole({ placed, solver }: Task, made: Board, above: number): Pick<Found, 'best' | 'bound'> {
  const whole = wholly(placed, singly(placed.model, placed), solver);
  const best = whole.board && whole.board.gain() > made.gain() - 1e-9 ? whole.board : made;
  // Musts stand elsewhere in it, as little late: their own bound is the program’s
  if (whole.optimal) return { best, bound: best.gain() };
  return { best, bound: Math.max(best.gain(), whole.bound ?? above) };
}

/** A plan of before, changed by chance where that brings more than it is worth that visits stay; of very many it is made better where it stands. */
function repaired(task: Task, kept: Board, improved: Board): Found {
  const { model, choices, mays } = task;
  const isLarge = model.input.visits.length > MANY_BY_HAND;
  const rounds = isLarge ? FEW_BOUND_ROUNDS : BOUND_ROUNDS;
  const priced = boundByPlots(model, choices, roughly(model, choices), improved.gain(), rounds);
  const prices = pricedAt(model, priced.room);
  const found = { bound: priced.bound, prices };
  if (isLarge) return { ...found, best: improved };
  const best = Board.copyOf(improved);
  anneal(best, priced, { ...task, staying: { before: kept, points: WORTH_MOVING } }, 0);
  fill(
    best,
    mays.filter((v) => best.optionOf(v) === null),
    prices,
  );
  return { ...found, best };
}

/** The plan that people go by stays unless another brings more than all that moves for it is worth. */
function keeping(model: Model, kept: Board, plans: readonly Board[]): Board {
  const others = plans.map((plan) => {
    const moves = model.options.filter((_, v) => {
      const [was, is] = [kept.optionOf(v), plan.optionOf(v)];
      return was !== null && (was.pool !== is?.pool || was.slot !== is.slot);
    }).length;
    return { plan, over: plan.gain() - kept.gain() - WORTH_MOVING * moves };
  });
  const best = others.reduce((a, b) => (b.over > a.over + 1e-9 ? b : a));
  return best.over > 0 ? best.plan : kept;
}

const RELAXED = { goal: 'gain', whole: false, lateAtMost: null } as const;

/**
 * The relaxed program of a season, with musts and pins where the plan has them, in CPLEX LP format.
 *
 * @param solver places the musts
 */
export function campaignProgram(input: CampaignInput, solver: Solver): string {
  const board = onTime(askedPlaced(input, solver));
  return programOf(board.model, singly(board.model, board), RELAXED).text;
}

/** What is asked for, where it stands before anything else does. */
function askedPlaced(input: CampaignInput, solver: Solver): Board {
  const board = mustsPlaced(modelOf(input), solver);
  placePins(board);
  return board;
}

/** Musts in the way that makes them least late: by the program where that is small enough, else one after the other, the heavier first. */
function mustsPlaced(model: Model, solver: Solver): Board {
  const musts = model.input.visits.flatMap(({ must }, v) => (must && model.options[v]?.length ? [v] : []));
  const columns = musts.map((v): Column => ({ visit: v, options: model.options[v] as readonly Option[] }));
  const choices = columns.reduce((sum, { options }) => sum + options.length, 0);
  const oneByOne = new Board(model);
  putInTurn(oneByOne, musts);
  if (musts.length > 0 && choices <= MUST_CHOICES) {
    const program = programOf(model, columns, { goal: 'lateness', whole: true, lateAtMost: null });
    const answer = solver(program.text, { gap: 0, nodes: MOST_NODES });
    const exact = taken(new Board(model), columns, program, answer);
    if (exact && exact.lateness() < oneByOne.lateness() - 1e-9) return exact;
  }
  return oneByOne;
}

function putInTurn(board: Board, visits: readonly number[]): void {
  const { input, options } = board.model;
  const order = visits.toSorted((a, b) => {
    const [one, other] = [input.visits[a] as CampaignVisit, input.visits[b] as CampaignVisit];
    return (other.must?.weight ?? 0) - (one.must?.weight ?? 0) || one.minutes - other.minutes || a - b;
  });
  for (const v of order) {
    const all = (options[v] as readonly Option[]).map((option, i) => ({ option, i }));
    const to = all
      .toSorted((a, b) => a.option.late - b.option.late || b.option.gain - a.option.gain || a.i - b.i)
      .find(({ option }) => board.fits(v, option));
    if (to) board.put(v, to.i);
  }
}

/** What somebody has fixed goes where it was fixed as long as there is room. */
function placePins(board: Board): void {
  const { input } = board.model;
  putInTurn(
    board,
    input.visits.flatMap(({ pin, must }, v) => (pin && !must ? [v] : [])),
  );
}

/** What is left goes in by prices, or without them, and all is made better. */
function completed({ mays, held, musts }: Task, made: Board, prices?: Prices): Board {
  fill(
    made,
    mays.filter((v) => made.optionOf(v) === null),
    prices,
  );
  improve(made, held, musts);
  return made;
}

/** What stood somewhere and still may, with what is new where there is room. */
function asBefore({ board: placed, mays, musts }: Task, before: CampaignPlan['done']): Board {
  const board = Board.copyOf(placed);
  const { input, options } = board.model;
  const stood = new Map(before.map((each) => [each.visitId, each]));
  const poolAt = new Map(input.pools.map(({ id }, p) => [id, p]));
  const slotAt = new Map(input.slots.map(({ id }, t) => [id, t]));
  for (const v of [...musts, ...mays]) {
    const where = stood.get(input.visits[v]?.id ?? '');
    const [pool, slot] = [poolAt.get(where?.poolId ?? ''), slotAt.get(where?.slotId ?? '')];
    const i = (options[v] as readonly Option[]).findIndex((each) => each.pool === pool && each.slot === slot);
    const option = options[v]?.[i];
    if (!option) continue;
    const now = board.at[v] as number;
    board.take(v);
    if ((musts.has(v) || option.gain > 0) && board.fits(v, option)) board.put(v, i);
    else if (now >= 0) board.put(v, now);
  }
  fill(
    board,
    mays.filter((v) => board.optionOf(v) === null),
  );
  return board;
}

function plotByPlot(board: Board, mays: readonly number[]): Board {
  const made = Board.copyOf(board);
  fillByPlot(made, mays);
  return made;
}

interface Whole {
  optimal: boolean;
  board: Board | null;
  /** Points above leaving all that no plan goes beyond. */
  bound: number | null;
}

/** The whole season as one program with whole numbers. */
function wholly(placed: Board, columns: readonly Column[], solver: Solver): Whole {
  const { model } = placed;
  const program = programOf(model, columns, { goal: 'gain', whole: true, lateAtMost: placed.lateness() });
  const answer = solver(program.text, { gap: 0, nodes: MOST_NODES });
  const pinned = columns.reduce(
    (sum, { options }) => sum + (options[0] && isAsked(options[0]) ? PINNED : 0),
    0,
  );
  return {
    optimal: answer.optimal,
    board: taken(new Board(model), columns, program, answer),
    bound: answer.bound === null ? null : answer.bound - pinned,
  };
}
