// What is left of the tree when these cuts have been made?

import { within } from './bundle';
import type { Limb } from './limbMap';
import { comesOff, diameterMmAt, indexLimbs } from './wood';

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
  const kerfCm = new Map<string, number>();
  for (const kerf of kerfs)
    kerfCm.set(kerf.limbId, Math.min(kerf.atCm, kerfCm.get(kerf.limbId) ?? Number.POSITIVE_INFINITY));
  const gone = new Map<string, boolean>();
  const isGone = (limb: Limb): boolean => {
    const alreadyGone = gone.get(limb.id);
    if (alreadyGone !== undefined) return alreadyGone;
    const parent = limb.parentId === null ? undefined : index.byId.get(limb.parentId);
    const parentKerfCm = parent && kerfCm.get(parent.id);
    const taken =
      (kerfCm.get(limb.id) ?? 1) <= 0 ||
      (parentKerfCm !== undefined && comesOff(limb.jointCm, parentKerfCm)) ||
      (parent !== undefined && isGone(parent));
    gone.set(limb.id, taken);
    return taken;
  };
  return limbs
    .filter((limb) => !isGone(limb))
    .map((limb) => shortened(limb, kerfCm.get(limb.id) ?? limb.lengthCm))
    .map((limb) => {
      const endCm = limb.parentId === null ? undefined : kerfCm.get(limb.parentId);
      // Of a bundle that the kerf parts, what stands beyond it is few: its middle decides
      return endCm === undefined ? limb : within(limb, endCm);
    });
}

function shortened(limb: Limb, endCm: number): Limb {
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
