// What a tree may lose of besides its crown: a peach of last year’s shoots, and of its older wood.
import { alike } from '../tree/index';
import { nearestCut, type Parts } from './parts';
import type { PlanProblem } from './problem';

const WHOLE = 1000;

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
