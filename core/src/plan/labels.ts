// When only the limits of the seasons are still open: which plan fills them best?
import type { PlanProblem } from './problem';
import type { Relaxation } from './relaxation';

interface Label {
  /** Crown used so far, all seasons in one number: each has its own thousands. */
  used: number;
  /** State of each candidate on the way to the next one, outermost first. */
  states: readonly number[];
  worth: number;
  /** Best that the relaxation still gives for it. */
  bound: number;
  slot: number;
  before: Label | null;
}

const CLOSE = 1e-10;
/** Beyond so many labels at one candidate it is left to branching. */
const MOST_LABELS = 40_000;
/** No season takes more than the whole crown. */
const BASE = 1024;
const NO_STATES: readonly number[] = [];

/**
 * Goes through the candidates branch by branch. Of plans that used the same crown and left the same wood only the best goes on, and only
 * while the relaxation says that it can still beat the best plan known.
 *
 * @param bound of the relaxation just computed at season prices alone
 * @param best score that must be beaten
 * @returns the best plan found with its worth by the relaxation, which may be above its true worth; null when none beats the best;
 *   'too many' when it was given up
 */
export function bestByLabels(
  problem: PlanProblem,
  relaxation: Relaxation,
  allowed: Uint16Array,
  mustBy: Int8Array,
  bound: number,
  best: number,
): { plan: Int8Array; worth: number } | null | 'too many' {
  const { slots, candidates } = problem;
  const order = relaxation.preorder;
  const place = seasonPlaces(problem, allowed);
  let layer: Label[] = [{ used: 0, states: NO_STATES, worth: 0, bound, slot: -1, before: null }];
  for (const [i, k] of order.entries()) {
    const depth = relaxation.depthOf(k);
    const nextDepth = i + 1 < order.length ? relaxation.depthOf(order[i + 1] as number) : 0;
    const crown = candidates[k]?.own.crown ?? 0;
    const next = new Map<number | string, Label>();
    for (const label of layer) {
      const state = depth === 0 ? 0 : (label.states[depth - 1] as number);
      relaxation.eachOption(
        k,
        state,
        allowed[k] as number,
        mustBy[k] as number,
        (slot, after, worth, regret) => {
          const bounded = label.bound - regret;
          if (bounded <= best + CLOSE) return;
          const goes = relaxation.goesIn(k, state, slot);
          let used = label.used;
          if (goes >= 0 && crown > 0) {
            const { unit, limit } = place[(slots[goes]?.season ?? 1) - 1] as Place;
            if (unit > 0) {
              used += crown * unit;
              if (Math.floor(used / unit) % BASE > limit) return;
            }
          }
          const total = label.worth + worth;
          const states =
            nextDepth === 0
              ? NO_STATES
              : nextDepth <= depth
                ? label.states.slice(0, nextDepth)
                : [...label.states.slice(0, depth), after];
          const key = nextDepth === 0 ? used : `${used};${states.join()}`;
          const had = next.get(key);
          if (!had) next.set(key, { used, states, worth: total, bound: bounded, slot, before: label });
          else if (total > had.worth) {
            had.worth = total;
            had.bound = bounded;
            had.slot = slot;
            had.before = label;
          }
        },
      );
    }
    if (next.size > MOST_LABELS) return 'too many';
    layer = [...next.values()];
    if (layer.length === 0) return null;
  }
  const top = layer.reduce((a, b) => (b.worth > a.worth ? b : a));
  if (top.worth <= best + CLOSE) return null;
  const plan = new Int8Array(candidates.length).fill(-1);
  let at: Label | null = top;
  for (let i = order.length - 1; i >= 0 && at; i--) {
    plan[order[i] as number] = at.slot;
    at = at.before;
  }
  return { plan, worth: top.worth };
}

interface Place {
  /** What a thousandth of this season counts in the one number; 0 where the limit cannot be reached. */
  unit: number;
  limit: number;
}

/** Seasons whose limit cannot be passed by all that may still go in them need no count. */
function seasonPlaces({ limits, slots, candidates }: PlanProblem, allowed: Uint16Array): Place[] {
  let unit = 1;
  return limits.map((limit, y) => {
    // Wood may go with any cut nearer the trunk: all of it counts
    const may = slots.some(
      ({ season }, t) => season === y + 1 && allowed.some((bits) => (bits & (1 << t)) !== 0),
    );
    const most = may ? candidates.reduce((sum, { own }) => sum + own.crown, 0) : 0;
    if (most <= limit) return { unit: 0, limit };
    const resource = { unit, limit: Math.min(limit, BASE - 1) };
    unit *= BASE;
    return resource;
  });
}
