// The height that a tree should have.
import { type Refusal, refusal } from '../refusal/index';
import { type Limb, limbShape } from '../tree/index';

/**
 * What is wrong with a height that a tree should have: below its lowest main limb nothing of it would be left.
 *
 * @returns null where nothing is
 */
export function targetFault(limbs: Limb[], targetCm: number | null): Refusal | null {
  const shape = limbShape(limbs);
  const joints = limbs.flatMap(({ id, kind }) => (kind === 'scaffold' ? [shape.get(id)?.base.z ?? 0] : []));
  const lowestCm = Math.min(...joints);
  if (targetCm === null || joints.length === 0 || targetCm >= lowestCm) return null;
  return refusal('underLowestLimb', { targetCm: Math.round(targetCm), lowestCm: Math.round(lowestCm) });
}
