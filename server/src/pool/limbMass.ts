// The mass of a limb with its pieces and strokes, as one answer.
import { fall, type LimbMassInput, limbMass, pieces, strokes } from '@mortisect/core/handling';
import type { Limb } from '@mortisect/core/tree';

export function limbMassOf({ limbs, species, limbId, atCm, load, liftKg, handHeldCm }: LimbMassInput) {
  const limb = limbs.find((limb) => limb.id === limbId) as Limb;
  const kerf = { limbId, atCm };
  const mass = limbMass(limbs, species, kerf, load);
  const { bearingDeg, clearZoneCm } = fall(limb, atCm, handHeldCm ?? 0);
  return {
    kg: mass.kg,
    rangeKg: mass.rangeKg,
    woodM3: mass.woodM3,
    densityKgPerM3: mass.density.kgPerM3,
    source: mass.density.source,
    pieces: pieces(limbs, species, kerf, load, liftKg),
    strokes: strokes(limb, atCm, mass.kg),
    clearZoneCm,
    fallsTowardDeg: bearingDeg,
  };
}
