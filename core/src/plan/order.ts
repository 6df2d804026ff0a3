// In which order are the cuts of one visit made, with the fewest cleanings, moves and minutes?

import { z } from 'zod';
import { issueOf, refusal } from '../refusal/index';
import type { OrderResult, Tally } from './orderShape';

const id = z.string().min(1).max(200);
const MOST_CUTS = 100;

export const OrderCut = z.strictObject({
  id,
  station: id.describe('where one stands: a ground place, or a ladder place'),
  ladder: z.boolean(),
  tool: id,
  infected: z.boolean().describe('the kerf meets diseased wood, or dead wood of unknown cause'),
  suspect: z
    .boolean()
    .default(false)
    .describe('made for a disease, though clear of its edge: of equal orders it comes later'),
  minutes: z.number().min(0).max(10_000),
  before: z.array(id).max(400).default([]).describe('cuts that must come later'),
});
export type OrderCut = z.infer<typeof OrderCut>;

export const OrderInput = z
  .strictObject({
    cuts: z.array(OrderCut).max(MOST_CUTS).describe('as listed: the naive order'),
    cleanMinutes: z.number().min(0).max(120),
    everyCut: z.boolean().default(true).describe('a blade is cleaned between infected cuts too'),
    bladesOfAKind: z
      .number()
      .int()
      .min(1)
      .max(40)
      .default(1)
      .describe('in rotation: with two or more nobody waits for the contact time'),
  })
  .superRefine(({ cuts }, context) => {
    const ids = new Set(cuts.map((cut) => cut.id));
    if (ids.size < cuts.length) context.addIssue(issueOf(['cuts'], refusal('cutTwice')));
    cuts.forEach((cut, i) => {
      const missing = cut.before.findIndex((other) => !ids.has(other));
      if (missing >= 0)
        context.addIssue(
          issueOf(
            ['cuts', i, 'before', missing],
            refusal('noCutOfVisit', { cut: cut.before[missing] ?? '' }),
          ),
        );
    });
    if (hasLoop(cuts)) context.addIssue(issueOf(['cuts'], refusal('cutsInRing')));
  })
  .meta({ id: 'OrderInput' });
export type OrderInput = z.infer<typeof OrderInput>;

/** Minutes of everything between cuts. Common practice, no source. */
export const MOVE_MINUTES = 0.2;
const GROUND_STATION = 1;
const LADDER_STATION = 3;
export const TOOL_MINUTES = 0.3;
const WIPE_SHARE = 0.4;
const EXACT_UP_TO = 12;
/** States kept at each step: fewer where there are more cuts, so that the answer comes in about a second. */
const BEAM_STATES = 9000;
const LEAST_BEAM = 60;

/** Too little to turn a choice that is none. */
const SOUND_LATE = 1e-7;

/**
 * The quickest order that keeps what must come first and never carries disease to sound wood on a dirty blade. A blade of unknown
 * history is dirty. Exact to twelve cuts by a dynamic programme over sets; beyond, the best of a wide beam with its distance from a bound.
 */
export function orderOf(input: OrderInput): OrderResult {
  const work = new Work(input);
  const listed = input.cuts.map((_, i) => i);
  const exact = input.cuts.length <= EXACT_UP_TO;
  const found = input.cuts.length === 0 ? [] : searched(work, beamFor(input.cuts.length));
  const best = exact ? found : moved(work, found);
  const tally = work.tally(best);
  const bound = exact ? tally.minutes : Math.min(work.bound(), tally.minutes);
  return {
    order: best.map((i) => (input.cuts[i] as OrderCut).id),
    tally,
    naive: work.tally(listed),
    bound,
    gap: exact || tally.minutes === 0 ? 0 : (tally.minutes - bound) / tally.minutes,
  };
}

function beamFor(cuts: number): number {
  if (cuts <= EXACT_UP_TO) return Number.POSITIVE_INFINITY;
  return Math.max(LEAST_BEAM, Math.floor(BEAM_STATES / cuts));
}

/** What is known of each blade, a letter a tool: of unknown history, known to be dirty, or clean. Unknown is dirty. */
type Blades = string;
const UNKNOWN = 'u';
const DIRTY = 'd';
const CLEAN = 'c';

interface State {
  made: boolean[];
  last: number;
  blades: Blades;
  minutes: number;
  path: State | null;
}

class Work {
  readonly cuts: OrderCut[];
  readonly tools: string[];
  readonly after: number[][];
  private readonly toolOf: number[];
  private readonly clean: number;

  constructor(private readonly input: OrderInput) {
    this.cuts = input.cuts;
    this.tools = [...new Set(input.cuts.map((cut) => cut.tool))];
    this.toolOf = input.cuts.map((cut) => this.tools.indexOf(cut.tool));
    this.clean = input.cleanMinutes * (input.bladesOfAKind > 1 ? WIPE_SHARE : 1);
    const at = new Map(input.cuts.map((cut, i) => [cut.id, i]));
    // Cuts that must be made before each
    this.after = input.cuts.map(() => []);
    input.cuts.forEach((cut, i) => {
      for (const later of cut.before) this.after[at.get(later) as number]?.push(i);
    });
  }

  /** Every blade is of unknown history at first. */
  get unknownBlades(): Blades {
    return UNKNOWN.repeat(this.tools.length);
  }

  step(last: number, blades: Blades, next: number): { minutes: number; blades: Blades; cleaned: boolean } {
    const cut = this.cuts[next] as OrderCut;
    const before = last < 0 ? null : (this.cuts[last] as OrderCut);
    const at = this.toolOf[next] as number;
    const blade = blades[at];
    // Of unknown history, or from infected to sound wood; between infected cuts where the school says so
    const cleaned = blade === UNKNOWN || (blade === DIRTY && (!cut.infected || this.input.everyCut));
    let minutes = cut.minutes + (cleaned ? this.clean : 0);
    if (before?.station === cut.station) minutes += MOVE_MINUTES;
    else minutes += cut.ladder ? LADDER_STATION : GROUND_STATION;
    if (before && before.tool !== cut.tool) minutes += TOOL_MINUTES;
    const after = cut.infected ? DIRTY : cleaned ? CLEAN : (blade ?? UNKNOWN);
    return { minutes, blades: blades.slice(0, at) + after + blades.slice(at + 1), cleaned };
  }

  /** Does the order keep what must come first? */
  keeps(order: readonly number[]): boolean {
    const madeCuts = new Set<number>();
    return order.every((cut) => {
      if (this.after[cut]?.some((first) => !madeCuts.has(first))) return false;
      madeCuts.add(cut);
      return true;
    });
  }

  tally(order: readonly number[]): Tally {
    const tally: Tally = { cleanings: 0, moves: 0, ladderMoves: 0, toolChanges: 0, minutes: 0 };
    let last = -1;
    let blades = this.unknownBlades;
    for (const next of order) {
      const cut = this.cuts[next] as OrderCut;
      const before = last < 0 ? null : (this.cuts[last] as OrderCut);
      const step = this.step(last, blades, next);
      tally.minutes += step.minutes;
      if (step.cleaned) tally.cleanings++;
      if (before?.station !== cut.station) {
        tally.moves++;
        if (cut.ladder) tally.ladderMoves++;
      }
      if (before && before.tool !== cut.tool) tally.toolChanges++;
      blades = step.blades;
      last = next;
    }
    return tally;
  }

  /**
   * Each station is taken up once at least, each blade cleaned at first and as often as its infected cuts ask. At a station every tool but
   * the first one used there is a change; coming back to it later to spare a change costs more than the change.
   */
  bound(): number {
    const stations = new Map(this.cuts.map((cut) => [cut.station, cut.ladder]));
    let minutes = this.cuts.reduce((sum, cut) => sum + cut.minutes, 0);
    for (const ladder of stations.values()) minutes += ladder ? LADDER_STATION : GROUND_STATION;
    minutes +=
      MOVE_MINUTES * (this.cuts.length - stations.size) + TOOL_MINUTES * this.leastToolChanges(stations.size);
    for (const tool of this.tools) {
      const infected = this.cuts.filter((cut) => cut.tool === tool && cut.infected).length;
      minutes += this.clean * Math.max(1, this.input.everyCut ? infected : 1);
    }
    return minutes;
  }

  private leastToolChanges(stations: number): number {
    const pairs = new Set(this.cuts.map((cut) => JSON.stringify([cut.station, cut.tool])));
    return Math.max(this.tools.length - 1, pairs.size - stations);
  }
}

/** Layer by layer, cut by cut; of states with the same cuts made, the same last cut and the same blades only the quickest is kept. */
function searched(work: Work, width: number): number[] {
  const count = work.cuts.length;
  let layer: State[] = [
    { made: work.cuts.map(() => false), last: -1, blades: work.unknownBlades, minutes: 0, path: null },
  ];
  for (let i = 0; i < count; i++) {
    const next = new Map<string, State>();
    for (const state of layer) {
      for (let cut = 0; cut < count; cut++) {
        if (state.made[cut] || work.after[cut]?.some((first) => !state.made[first])) continue;
        const step = work.step(state.last, state.blades, cut);
        // Of orders that take the same time, sound wood first: gloves and ladder carry disease too
        const late =
          !isSuspect(work.cuts[cut]) && state.made.some((made, j) => made && isSuspect(work.cuts[j]));
        const minutes = state.minutes + step.minutes + (late ? SOUND_LATE : 0);
        const madeBits = state.made.slice();
        madeBits[cut] = true;
        const key = `${madeBits.map(Number).join('')} ${cut} ${step.blades}`;
        const had = next.get(key);
        if (had && had.minutes <= minutes) continue;
        next.set(key, { made: madeBits, last: cut, blades: step.blades, minutes, path: state });
      }
    }
    layer = [...next.values()];
    if (layer.length > width) layer = layer.sort((a, b) => a.minutes - b.minutes).slice(0, width);
  }
  const best = layer.reduce((a, b) => (b.minutes < a.minutes ? b : a));
  const order: number[] = [];
  for (let at: State | null = best; at && at.last >= 0; at = at.path) order.push(at.last);
  return order.reverse();
}

const LONGEST_MOVE = 5;
const MOST_ROUNDS = 8;

/** Runs of up to five cuts are moved to where they cost less, as long as one can be. */
function moved(work: Work, order: number[]): number[] {
  let best = order;
  let least = work.tally(best).minutes;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const before = least;
    for (let length = 1; length <= LONGEST_MOVE; length++) {
      for (let from = 0; from + length <= best.length; from++) {
        const rest = [...best.slice(0, from), ...best.slice(from + length)];
        for (let to = 0; to <= rest.length; to++) {
          if (to === from) continue;
          const tried = [...rest.slice(0, to), ...best.slice(from, from + length), ...rest.slice(to)];
          const minutes = work.tally(tried).minutes;
          if (minutes >= least - SOUND_LATE * 100 || !work.keeps(tried)) continue;
          [best, least] = [tried, minutes];
          break;
        }
      }
    }
    if (least >= before) return best;
  }
  return best;
}

function isSuspect(cut: OrderCut | undefined): boolean {
  return cut !== undefined && (cut.infected || cut.suspect);
}

function hasLoop(cuts: readonly { id: string; before: readonly string[] }[]): boolean {
  const left = new Map(cuts.map((cut) => [cut.id, new Set<string>()]));
  for (const cut of cuts) for (const later of cut.before) left.get(later)?.add(cut.id);
  for (;;) {
    const free = [...left].filter(([, first]) => first.size === 0).map(([cutId]) => cutId);
    if (free.length === 0) return left.size > 0;
    for (const cutId of free) left.delete(cutId);
    for (const first of left.values()) for (const cutId of free) first.delete(cutId);
  }
}
