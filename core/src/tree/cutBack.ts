// What is left of the tree when these cuts have been made?
import type { Limb } from './limbMap';
import { diameterMmAt, indexLimbs, isDistalOf } from './wood';

export interface Kerf {
  limbId: string;
  atCm: number;
}

/**
 * The limb map after cuts: limbs whose base is on wood taken are gone, limbs cut through end at the kerf.
 * A limb cut back keeps its former length as `uncutLengthCm`, so that the age of its wood stays right.
 */
export function cutBack(limbs: Limb[], kerfs: Kerf[]): Limb[] {
  const index = indexLimbs(limbs);
  const taken = (limb: Limb) =>
    kerfs.some((kerf) =>
      kerf.limbId === limb.id
        ? kerf.atCm <= 0
        : limb.parentId !== null && isDistalOf(index, limb.parentId, limb.jointCm, kerf.limbId, kerf.atCm),
    );
  return limbs.filter((limb) => !taken(limb)).map((limb) => shortened(limb, kerfs));
}

function shortened(limb: Limb, kerfs: Kerf[]): Limb {
  const endCm = Math.min(
    limb.lengthCm,
    ...kerfs.filter((kerf) => kerf.limbId === limb.id).map((kerf) => kerf.atCm),
  );
  if (endCm >= limb.lengthCm) return limb;
  return {
    ...limb,
    lengthCm: endCm,
    tipMm: diameterMmAt(limb, endCm),
    uncutLengthCm: limb.uncutLengthCm ?? limb.lengthCm,
    ...(limb.buds && { buds: limb.buds.filter((bud) => bud.atCm <= endCm) }),
    ...(limb.graftUnionCm !== undefined && { graftUnionCm: Math.min(limb.graftUnionCm, endCm) }),
  };
}
