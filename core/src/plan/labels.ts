// When only the limits of the seasons are still open: which plan fills them best?
import { growsAnything, growsBack, type PlanProblem } from './problem';
import { NO_MUST, type Relaxation } from './relaxation';

interface Label {
  /** Crown used so far, all seasons in one number: each has its own digits. */
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
const WHOLE_CROWN = 1000;
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
  const places = seasonPlaces(problem, allowed);
  if (!places) return 'too many';
  const { place, parts } = places;
  const seasonOf = slots.map(({ season }) => season - 1);
  const backOf = slots.map((_, t) => Math.round(growsBack(problem, t) * parts));
  const order = relaxation.preorder;
  const carriesMust = mustsOn(problem, mustBy);
  const passesDiffer = growsAnything(problem);
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
        passesDiffer && !carriesMust[k],
        (slot, after, worth, regret) => {
          const bounded = label.bound - regret;
          if (bounded <= best + CLOSE) return;
          const goes = relaxation.goesIn(k, state, slot);
          let used = label.used;
          if (goes >= 0 && crown > 0) {
            const own = place[seasonOf[goes] as number] as Place;
            if (own.unit > 0) {
              if ((Math.floor(used / own.unit) % (own.limit + 1)) + crown * parts > own.limit) return;
              used += crown * parts * own.unit;
            }
            const grown = crown * (backOf[goes] as number);
            const next = place[(seasonOf[goes] as number) + 1] ?? NO_PLACE;
            if (grown > 0 && next.unit > 0) {
              if ((Math.floor(used / next.unit) % (next.limit + 1)) + grown > next.limit) return;
              used += grown * next.unit;
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

/** Is there wood on a candidate, or its own, that has to be met by a slot? */
function mustsOn({ candidates }: PlanProblem, mustBy: Int8Array): boolean[] {
  const carries = Array.from(mustBy, (by) => by !== NO_MUST);
  for (let k = candidates.length - 1; k >= 0; k--) {
    const parent = candidates[k]?.parent ?? null;
    if (carries[k] && parent !== null) carries[parent] = true;
  }
  return carries;
}

interface Place {
  /** What a part of a thousandth of this season counts in the one number; 0 where the limit cannot be reached. */
  unit: number;
  /** In the same parts. */
  limit: number;
}
const NO_PLACE: Place = { unit: 0, limit: 0 };

/**
 * Seasons whose limit cannot be passed by all that may still go in them, or grow back since the one before, need no count.
 *
 * @returns each season’s place in the one number, with the parts that a thousandth is counted in; null where one number cannot hold them
 */
function seasonPlaces(
  { limits, slots, candidates, regrowth }: PlanProblem,
  allowed: Uint16Array,
): { place: Place[]; parts: number } | null {
  const parts = 100 / gcd(100, gcd(regrowth.dormant, regrowth.summer));
  const whole = candidates.reduce((sum, { own }) => sum + own.crown, 0);
  const may = limits.map((_, y) =>
    slots.some(({ season }, t) => season === y + 1 && allowed.some((bits) => (bits & (1 << t)) !== 0)),
  );
  const growsMost = Math.max(regrowth.dormant, regrowth.summer) / 100;
  let unit = 1;
  const place = limits.map((limit, y): Place => {
    // Wood may go with any cut nearer the trunk: all of it counts
    const most = (may[y] ? whole : 0) + (may[y - 1] ? whole * growsMost : 0);
    if (most <= limit) return NO_PLACE;
    const own = { unit, limit: Math.min(limit, WHOLE_CROWN) * parts };
    unit *= own.limit + 1;
    return own;
  });
  return unit > Number.MAX_SAFE_INTEGER ? null : { place, parts };
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
