// Which wood on the limbs of a tree stands upright, whatever its age?
import { faultKey, startingLimits } from '../faults/index';
import type { Limb } from '../tree/index';

/** What the problem of an upright limb is called in a plan. */
export const uprightId = (limbId: string) => `upright ${limbId}`;

/** How the fault of an upright limb is called, where somebody noted it or waved it off. */
export const uprightKey = (limbId: string) => faultKey({ kind: 'upright sprout', limbIds: [limbId] });

/** Limbs and bundles on limbs, long and steep enough; what stands on the stem is a leader, its twin or a main limb. */
export function uprights(limbs: Limb[]): Limb[] {
  const { uprightDeg, sproutFromCm } = startingLimits();
  const kinds = new Map(limbs.map(({ id, kind }) => [id, kind]));
  return limbs.filter(
    ({ parentId, lengthCm, inclinationDeg }) =>
      parentId !== null &&
      kinds.get(parentId) !== 'trunk' &&
      lengthCm > sproutFromCm &&
      90 - inclinationDeg < uprightDeg,
  );
}
