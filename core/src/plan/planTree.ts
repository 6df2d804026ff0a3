// The plan of a tree: what is done in which season and pass, what is left and why, and how sure that is.
import { goals } from '../shaping/index';
import { indexLimbs, isDistalOf, type Kerf } from '../tree/index';
import { clashOf } from './clash';
import { feasiblePlan } from './feasible';
import { grainOfAll, withGrain } from './grain';
import type { PlanInput } from './input';
import { loweredBy } from './lowered';
import { grownBefore } from './pace';
import { type Pass, passes } from './passes';
import { type Prepared, preparePlan } from './prepare';
import { type Priced, regrowthOf } from './price';
import { crownBySeason, type PlanCandidate, type PlanProblem, pays, slotsTaken, usedOf } from './problem';
import { PlanSearch, type Progress } from './search';
import { sidesAfter } from './sides';
import type { CandidateOut, PlannedStep, SeasonOfPlan, TreePlan } from './treePlan';

/** A search that is ready, and the plan as far as it is known. */
export interface Planning {
  prepared: Prepared;
  /** Looks further; the plan as it then stands. */
  step(nodes: number): TreePlan;
}

/** Makes a tree ready to be planned. Nothing is searched yet; `step` does. */
export function planning(input: PlanInput): Planning {
  const prepared = preparePlan(input);
  const comesOut = prepared.verdict?.choice === 'remove tree';
  const start = comesOut ? 'open' : feasiblePlan(prepared.problem);
  // Whether there is any plan is known before the best one is looked for
  if (start === null) {
    const clashing = planFrom(prepared, NO_PLAN, false);
    return { prepared, step: () => clashing };
  }
  // A tree that comes out whole is not planned cut by cut
  const search = new PlanSearch(
    comesOut
      ? { ...prepared.problem, candidates: [], problems: [], excludes: [], required: [], after: [] }
      : prepared.problem,
    start === 'open' ? undefined : start,
  );
  return { prepared, step: (nodes) => planFrom(prepared, search.step(nodes), comesOut) };
}

const NO_PLAN: Progress = {
  plan: null,
  worth: Number.NEGATIVE_INFINITY,
  bound: Number.NEGATIVE_INFINITY,
  gap: 0,
  done: true,
  nodes: 0,
};

function planFrom(prepared: Prepared, progress: Progress, comesOut: boolean): TreePlan {
  const { problem, chosenFrom, input, cuts } = prepared;
  const chosen = progress.plan && !comesOut ? progress.plan : problem.candidates.map(() => -1);
  const steps = stepsOf(prepared, chosen);
  const clash = progress.plan === null && progress.done ? clashOf(prepared) : null;
  const crown = crownBySeason(problem, chosen);
  const used = usedOf(problem, chosen);
  const quotas = problem.limits.map((_, y) => quotasIn(problem, used, y));
  const seasons = problem.limits.map((limit, y): SeasonOfPlan => {
    const ofSeason = steps.filter((step) => step.season === y + 1);
    const sum = (of: (step: PlannedStep) => number) => ofSeason.reduce((total, step) => total + of(step), 0);
    const pricedOf = (step: PlannedStep) =>
      chosenFrom.find((priced) => priced.id === step.candidateId) as Priced;
    return {
      season: y + 1,
      limit: limit + grownBefore(input, y),
      warnsFrom: prepared.limits.warnsFrom,
      crown: crown[y] as number,
      quotas: quotas[y] as SeasonOfPlan['quotas'],
      thin: y === 0 ? thinOf(problem, used) : null,
      // A crown that has no limit of its own keeps nothing free
      grown: quotas[y]?.length ? 0 : (used[y] as number) - (crown[y] as number) + grownBefore(input, y),
      off: y === 0 ? input.off.now : 0,
      exempt: sum((step) => step.exempt),
      fruit: sum((step) => step.fruit),
      minutes: sum((step) => (step.pass === 'hired' ? 0 : pricedOf(step).minutes.minutes)),
      shootMinutes: shootMinutes(ofSeason, pricedOf),
      massKg: sum((step) => pricedOf(step).handling?.massKg ?? 0),
      grain: grainOfSeason(ofSeason, limit - (crown[y] as number)),
    };
  });
  const solved = new Set(steps.flatMap((step) => step.solves.map((solve) => solve.findingId)));
  return {
    steps,
    seasons,
    left: comesOut ? [] : leftOf(prepared, solved),
    swallowed: swallowedBy(prepared, steps),
    handOver: prepared.handOver,
    verdict: prepared.verdict,
    decisions: cuts.decisions.filter(({ lesionId }) => input.findings.some(({ id }) => id === lesionId)),
    clash,
    idlePins: prepared.idlePins,
    height: comesOut ? null : loweredBy(prepared, steps),
    sides: comesOut ? null : sidesAfter(input, prepared.sides.now, withKerfs(steps, chosenFrom)),
    light: comesOut ? null : prepared.light,
    limitBecause: prepared.limits.because,
    proof: {
      worth: finite(progress.worth),
      bound: finite(progress.bound),
      gap: finite(progress.gap),
      done: progress.done,
      nodes: progress.nodes,
    },
  };
}

const usedIn = ({ limits }: Pick<PlanProblem, 'limits'>, used: readonly number[], q: number, y: number) =>
  used[limits.length * (q + 1) + y] as number;

/** What has a limit in place of the crown in a season, from 0. */
function quotasIn(problem: PlanProblem, used: readonly number[], y: number): SeasonOfPlan['quotas'] {
  return problem.quotas.flatMap(({ what, limits }, q) =>
    what === 'thin cuts' ? [] : [{ what, limit: limits[y] as number, used: usedIn(problem, used, q, y) }],
  );
}

function thinOf(problem: PlanProblem, used: readonly number[]): SeasonOfPlan['thin'] {
  const q = problem.quotas.findIndex(({ what }) => what === 'thin cuts');
  const limit = problem.quotas[q]?.limits[0];
  return limit === undefined ? null : { limit, used: usedIn(problem, used, q, 0) };
}

/** One’s own minutes, and no more crown than the limit leaves room for. */
function grainOfSeason(steps: readonly PlannedStep[], room: number): SeasonOfPlan['grain'] {
  const { minutes } = grainOfAll(steps.filter(({ pass }) => pass !== 'hired'));
  const [less, more] = grainOfAll(steps).crown;
  return { minutes, crown: [less, Math.min(more, Math.max(0, room))] };
}

/** Of one shoot taken off in summer; more where much was cut at once. Common practice, no source. */
const A_SHOOT_MINUTES = 0.15;
const MUCH = 300;
const AFTER_MUCH = 1.5;

function shootMinutes(steps: readonly PlannedStep[], pricedOf: (step: PlannedStep) => Priced): number {
  const taken = steps.reduce((sum, step) => sum + step.crown + step.exempt, 0);
  const shoots = steps
    .filter(({ pass }) => pass !== 'summer')
    .flatMap((step) => regrowthOf(pricedOf(step), step.pass, taken / 1000) ?? [])
    .reduce((sum, { shoots: [least, most] }) => sum + (least + most) / 2, 0);
  return shoots * A_SHOOT_MINUTES * (taken > MUCH ? AFTER_MUCH : 1);
}

const withKerfs = (steps: readonly PlannedStep[], chosenFrom: readonly Priced[]) =>
  steps.map(({ season, candidateId }) => ({
    season,
    kerf: chosenFrom.find(({ id }) => id === candidateId)?.kerf ?? null,
  }));

const finite = (value: number) => (Number.isFinite(value) ? value : null);

/** Less, in points of a hundred, nobody sees. Common practice, no source. */
const NOTICED_POINTS = 0.5;

function stepsOf(prepared: Prepared, chosen: readonly number[]): PlannedStep[] {
  const { problem, chosenFrom, asked, sides } = prepared;
  const taken = slotsTaken(problem, chosen);
  const steps = chosen.flatMap((slot, k) => {
    if (slot < 0) return [];
    const { season, pass } = problem.slots[slot] as { season: number; pass: Pass };
    // Wood of inner places that goes with this cut: theirs, where nothing took them before
    let [crown, exempt, fruit] = [0, 0, 0];
    problem.candidates.forEach(({ own }, j) => {
      if (taken[j] !== slot || takerOf(problem.candidates, chosen, j) !== k) return;
      crown += own.crown;
      exempt += own.exemptCrown;
      fruit += own.fruit + own.exemptFruit;
    });
    return [{ k, step: { candidateId: chosenFrom[k]?.id ?? '', season, pass, crown, exempt, fruit } }];
  });
  const first = firstSolvers(problem, chosen);
  const inOrder = steps
    .map(({ k, step }) => {
      const priced = chosenFrom[k] as Priced;
      const solves = asked.flatMap(({ findingId }, p) => {
        if (findingId === null || first[p] !== k) return [];
        const left = priced.left.find((entry) => entry.findingId === findingId);
        return [{ findingId, chance: left?.chance ?? 0, range: left?.range ?? ([0, 0] as [number, number]) }];
      });
      const served = new Set(
        asked.flatMap(({ what }, p) => (what !== 'finding' && first[p] === k ? [what] : [])),
      );
      const points = sides.effects[k]?.points ?? 0;
      if (points < NOTICED_POINTS && solves.length + served.size > 1) served.delete('balance');
      // Nearly every cut lets some light in: said only of one that does nothing else
      if (solves.length > 0 || served.size > 1) served.delete('light');
      return { ...step, solves, serves: goals.filter((goal) => served.has(goal)) };
    })
    .sort((a, b) => a.season - b.season || passes.indexOf(a.pass) - passes.indexOf(b.pass));
  return withGrain(inOrder, prepared);
}

/** The chosen cut with which the wood of this place goes: the nearest one that is chosen, itself first. */
function takerOf(candidates: readonly PlanCandidate[], chosen: readonly number[], k: number): number {
  let at: number | null = k;
  while (at !== null) {
    if ((chosen[at] as number) >= 0 && candidates[at]?.isCut) return at;
    at = candidates[at]?.parent ?? null;
  }
  return -1;
}

/** For each problem the candidate it is credited to. */
function firstSolvers(
  { problems, candidates, slots }: Prepared['problem'],
  chosen: readonly number[],
): number[] {
  return problems.map((_, p) => {
    let found = -1;
    let best = { season: Number.POSITIVE_INFINITY, remains: 2 };
    candidates.forEach(({ solves }, k) => {
      const slot = chosen[k] as number;
      const itsSolve = solves.find((solve) => solve.problem === p);
      if (slot < 0 || !itsSolve) return;
      const { season } = slots[slot] as { season: number };
      // Such a cut only takes what another one would have solved
      if (itsSolve.remains >= 1) return;
      if (season > best.season || (season === best.season && itsSolve.remains >= best.remains)) return;
      best = { season, remains: itsSolve.remains };
      found = k;
    });
    return found;
  });
}

function leftOf(prepared: Prepared, solved: Set<string>): TreePlan['left'] {
  const { input, asked, problem, handOver, cuts, verdict } = prepared;
  const uncut = new Map(cuts.uncut.map(({ findingId, why }) => [findingId, why]));
  return input.findings.flatMap(({ id }): TreePlan['left'] => {
    if (solved.has(id) || id.startsWith('train ')) return [];
    if (handOver.includes(id)) return [{ findingId: id, why: 'hand over' }];
    if (cuts.decisions.some((decision) => decision.lesionId === id) || verdict?.findingIds.includes(id))
      return [{ findingId: id, why: 'decision' }];
    const p = asked.findIndex((question) => question.findingId === id);
    if (p < 0) return [{ findingId: id, why: uncut.get(id) ?? 'no candidate' }];
    const solvers = problem.candidates.filter(({ solves }) => solves.some((solve) => solve.problem === p));
    if (solvers.every((candidate) => candidate.slots.length === 0)) return [{ findingId: id, why: 'pinned' }];
    return [
      {
        findingId: id,
        why: solvers.some((solver) => pays(solver, (at) => at === p, problem)) ? 'no room' : 'not worth it',
      },
    ];
  });
}

/** Findings whose own smallest cut is not made, because a step nearer the trunk takes their wood. */
function swallowedBy({ input, chosenFrom }: Prepared, steps: PlannedStep[]): TreePlan['swallowed'] {
  const index = indexLimbs(input.tree.limbs);
  return steps.flatMap((step) =>
    step.solves.flatMap(({ findingId }) => {
      const taker = chosenFrom.find((priced) => priced.id === step.candidateId);
      if (!taker?.kerf) return [];
      const kerf: Kerf = taker.kerf;
      const smaller = chosenFrom.some(
        (priced) =>
          priced.kerf &&
          priced !== taker &&
          priced.candidate.answers.some((answer) => answer.findingId === findingId) &&
          isDistalOf(index, priced.kerf.limbId, priced.kerf.atCm, kerf.limbId, kerf.atCm),
      );
      return smaller && step.solves.length > 1 ? [{ findingId, candidateId: step.candidateId }] : [];
    }),
  );
}

export function candidateOut(priced: Priced): CandidateOut {
  const { what, passes: may, answers } = priced.candidate;
  const { handling } = priced;
  return {
    id: priced.id,
    what: what.is === 'cut' ? 'cut' : what.kind,
    limbId: what.is === 'cut' ? what.cut.limbId : what.limbId,
    cut: what.is === 'cut' ? what.cut : null,
    passes: [...may],
    answers: answers.map((answer) => answer.findingId),
    crown: priced.crown,
    fruit: priced.fruit,
    minutes: priced.minutes.minutes,
    massKg: handling?.massKg ?? 0,
    massRangeKg: handling?.massRangeKg ?? [0, 0],
    kerfMm: handling?.kerfMm ?? null,
    kerfHeightCm: handling?.kerfHeightCm ?? null,
    pieces: handling?.pieces.length ?? 0,
    tool: handling?.wielded?.tool.id ?? null,
    station: handling?.wielded?.station ?? null,
    handOver: handling?.handOver ?? false,
    infected: priced.infected,
    left: priced.left,
  };
}
