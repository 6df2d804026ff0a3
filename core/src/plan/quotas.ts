// What a tree may lose of besides its crown: a peach of last year’s shoots, and of its older wood.
import { alike } from '../tree/index';
import { type PlanInput, paceOf } from './input';
import { nearestCut, type Parts } from './parts';
import { ancestors, type PlanProblem } from './problem';

const WHOLE = 1000;

/** While a stem stands so far above its height, cm, thinner cuts than that, mm, take no more than a third of what may go in the first season. The brief’s figures; common practice, no source. */
const FAR_TOO_HIGH_CM = 100;
const THIN_BELOW_MM = 25;
const THIN_SHARE = 1 / 3;

/**
 * The quotas of a tree, none where its crown alone is limited. A shoot that is shortened counts the part that goes.
 *
 * @param isExempt whether a must takes the wood of a candidate’s own place anyway
 */
export function quotasOf(
  { doable, crown, index, limits: { peach, limits } }: Pick<Parts, 'doable' | 'crown' | 'index' | 'limits'>,
  problem: PlanProblem,
  isExempt: (k: number) => boolean,
): PlanProblem['quotas'] {
  if (!peach) return [];
  const lengths = doable.map(() => 0);
  const older = doable.map(() => 0);
  let wholeCm = 0;
  for (const { limbId, fromCm, toCm, crown: share } of crown.pieces) {
    const limb = index.byId.get(limbId);
    if (!limb || share === 0) continue;
    const isLastYears = limb.kind !== 'trunk' && limb.ageYears <= 1;
    const cm = (toCm - fromCm) * alike(limb);
    if (isLastYears) wholeCm += cm;
    const k = nearestCut({ doable, index }, problem, limbId, (fromCm + toCm) / 2);
    if (k < 0 || isExempt(k)) continue;
    if (isLastYears) lengths[k] = (lengths[k] as number) + cm;
    else older[k] = (older[k] as number) + share;
  }
  const each = (limit: number) => limits.map(() => limit);
  return [
    {
      what: 'shoots',
      limits: each(peach.shoots),
      units: lengths.map((cm) => (wholeCm > 0 ? Math.round((cm / wholeCm) * WHOLE) : 0)),
    },
    { what: 'older wood', limits: each(peach.olderWood), units: older },
  ];
}

/**
 * In the first season of a renovation the stem comes down before the thin wood: what thin cuts may take until then. Wood that a thicker cut may
 * take as well is left out: nobody knows yet which of the two takes it.
 */
export function thinQuota(
  input: PlanInput,
  { doable, heights: { tall }, index }: Pick<Parts, 'doable' | 'heights' | 'index'>,
  problem: PlanProblem,
): PlanProblem['quotas'] {
  const { renovated, targetHeightCm: target } = input.tree;
  const first = problem.slots.flatMap(({ season }, t) => (season === 1 ? [t] : []));
  // Thin wood waits for nothing that cannot be done in that season
  const comesDown = (stemId: string) =>
    doable.some(
      ({ priced }, k) =>
        priced.candidate.lowers?.limbId === stemId &&
        problem.candidates[k]?.slots.some((slot) => first.includes(slot)),
    );
  const isFarTooHigh = tall.some(
    ({ limbId, tipCm }) =>
      index.byId.get(limbId)?.kind === 'trunk' &&
      target !== null &&
      tipCm - target > FAR_TOO_HIGH_CM &&
      comesDown(limbId),
  );
  if (!renovated || paceOf(input) === 'a little' || !isFarTooHigh) return [];
  const isThick = (k: number) => (doable[k]?.priced.handling?.kerfMm ?? 0) >= THIN_BELOW_MM;
  return [
    {
      what: 'thin cuts',
      limits: problem.limits.map((limit, y) => (y === 0 ? Math.floor(limit * THIN_SHARE) : WHOLE)),
      units: problem.candidates.map(({ isCut, own }, k) =>
        !isCut || isThick(k) || ancestors(problem, k).some(isThick) ? 0 : own.crown,
      ),
    },
  ];
}
