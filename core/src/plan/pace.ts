// A renovation that is spread evenly: as much each season as there is to come off, and never more than its limit.
import { feasiblePlan } from './feasible';
import type { PlanInput } from './input';
import { crownBySeason, type PlanProblem } from './problem';
import { PlanSearch } from './search';

/** A tree without limits is quickly searched; what it then loses need not be proved to the last thousandth. */
const NODES = 400;
/** Cuts do not add up to even shares: so much more has room. Common practice, no source. */
const ROOM = 1.1;
/** So little of the crown, thousandths, is not worth spreading: it comes off at once. Common practice, no source. */
const NOT_SPREAD = 100;
const FREE = 1_000_000;

/**
 * The limits of a renovation spread evenly over its seasons: what is to come off in all, shared out, a tenth of the crown at least. The largest single cut has room, and where
 * pins or musts need more, the limits stay as they are.
 *
 * @param offNow what came off in the first season already, thousandths: it is part of that season’s share
 * @returns thousandths of the living crown, one a season, none above the limit that stands
 */
export function evenLimits(problem: PlanProblem, offNow = 0): number[] {
  const { limits } = problem;
  const free: PlanProblem = { ...problem, limits: limits.map(() => FREE) };
  const chosen = new PlanSearch(free).step(NODES).plan;
  if (!chosen) return [...limits];
  const whole = crownBySeason(free, chosen).reduce((sum, crown) => sum + crown, 0);
  const share = Math.max(NOT_SPREAD, ((offNow + whole) / limits.length) * ROOM, largestCut(free, chosen));
  const grown = (share * problem.regrowth.dormant) / 100;
  // Every season but the first has to hold what grew back as well
  const even = limits.map((limit, y) =>
    Math.min(limit, Math.ceil(y === 0 ? Math.max(0, share - offNow) : share + grown)),
  );
  return feasiblePlan({ ...problem, limits: even }) === null ? [...limits] : even;
}

/** The most that one chosen cut takes, with the wood of those it swallows. */
function largestCut(problem: PlanProblem, chosen: readonly number[]): number {
  const byTaker = new Map<number, number>();
  problem.candidates.forEach(({ own }, k) => {
    let taker: number | null = k;
    while (taker !== null && (chosen[taker] as number) < 0) taker = problem.candidates[taker]?.parent ?? null;
    if (taker !== null) byTaker.set(taker, (byTaker.get(taker) ?? 0) + own.crown);
  });
  return Math.max(0, ...byTaker.values());
}

/** What cuts on record use of a season’s limit as they grow back, thousandths: last season’s of the first, this season’s of the second. @param y season, from 0 */
export function grownBefore(
  { off, settings: { regrowth } }: Pick<PlanInput, 'off' | 'settings'>,
  y: number,
): number {
  const [dormant, summer] = y === 0 ? [off.lastDormant, off.lastSummer] : y === 1 ? [off.now, 0] : [0, 0];
  return (dormant * regrowth.dormant + summer * regrowth.summer) / 100;
}

/** The limits less what cuts on record use of them: what came off this season, and what grows back. */
export function leftOfLimits(
  limits: readonly number[],
  input: Pick<PlanInput, 'off' | 'settings'>,
): number[] {
  return limits.map((limit, y) =>
    Math.max(0, Math.floor(limit - grownBefore(input, y) - (y === 0 ? input.off.now : 0))),
  );
}
