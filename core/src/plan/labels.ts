// When only the limits of the seasons are still open: which plan fills them best?
import { type Cap, growsAnything, type PlanProblem, shareIn } from './problem';
import { NO_MUST, type Relaxation } from './relaxation';

interface Label {
  /** What is used so far, all caps in one number: each has its own digits. */
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
/** No season takes more than all there is. */
const WHOLE = 1000;
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
  const places = capPlaces(problem, relaxation.caps, allowed);
  if (!places) return 'too many';
  // Of each slot, what counts in which place
  const counts = slots.map((_, t) =>
    places.flatMap(({ cap, ...place }) => {
      const parts = Math.round(shareIn(problem, cap, t) * place.parts);
      return parts > 0 ? [{ ...place, units: cap.units, parts }] : [];
    }),
  );
  const order = relaxation.preorder;
  const carriesMust = mustsOn(problem, mustBy);
  const passesDiffer = growsAnything(problem);
  let layer: Label[] = [{ used: 0, states: NO_STATES, worth: 0, bound, slot: -1, before: null }];
  for (const [i, k] of order.entries()) {
    const depth = relaxation.depthOf(k);
    const nextDepth = i + 1 < order.length ? relaxation.depthOf(order[i + 1] as number) : 0;
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
          for (const { unit, limit, units, parts } of goes < 0 ? [] : (counts[goes] as (typeof counts)[0])) {
            const more = (units[k] as number) * parts;
            if ((Math.floor(used / unit) % (limit + 1)) + more > limit) return;
            used += more * unit;
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
  cap: Cap;
  /** What a part of a thousandth of this cap counts in the one number. */
  unit: number;
  /** In the same parts. */
  limit: number;
  /** In which a thousandth is counted. */
  parts: number;
}

/**
 * Caps that cannot be passed by all that may still go in their seasons, or grow back since the one before, need no count.
 *
 * @returns each other cap’s place in the one number; null where one number cannot hold them
 */
function capPlaces(problem: PlanProblem, caps: readonly Cap[], allowed: Uint16Array): Place[] | null {
  const { slots, regrowth } = problem;
  const grownParts = 100 / gcd(100, gcd(regrowth.dormant, regrowth.summer));
  const open = slots.map((_, t) => allowed.some((bits) => (bits & (1 << t)) !== 0));
  let next = 1;
  const places = caps.flatMap((cap): Place[] => {
    const whole = cap.units.reduce((sum, units) => sum + units, 0);
    // Wood may go with any cut nearer the trunk: all of it counts, once in the season itself and once as it grows back
    const shares = slots.map((_, t) => (open[t] ? shareIn(problem, cap, t) : 0));
    const own = shares.some((share) => share === 1) ? 1 : 0;
    const most = whole * (own + Math.max(0, ...shares.filter((share) => share < 1)));
    if (most <= cap.limit) return [];
    const parts = cap.grows ? grownParts : 1;
    const place = { cap, unit: next, limit: Math.min(cap.limit, WHOLE) * parts, parts };
    next *= place.limit + 1;
    return [place];
  });
  return next > Number.MAX_SAFE_INTEGER ? null : places;
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
