// Limbs that were measured from afar, put on a limb map.
import { type Limb, measured, withLimb } from '../tree/index';
import type { RangedWood } from './ranged';

export type MeasuredLimb = Pick<RangedWood, 'lengthCm' | 'jointCm' | 'bearingDeg' | 'inclinationDeg'> & {
  id: string;
  onId: string | null;
  baseMm?: { value: number } | null;
};

/**
 * The map with limbs that were measured. A limb keeps the id it was measured under: one that is on the map already is measured anew. The stem
 * reaches as high as its highest joint; what nobody measured across is as thick as wood on such a limb usually is, and says so.
 *
 * @param stem what was measured of the stem; null where nobody did
 */
export function withMeasured(
  limbs: Limb[],
  found: readonly MeasuredLimb[],
  stem: Pick<RangedWood, 'lengthCm'> | null,
): Limb[] {
  const stemId = limbs.find(({ kind }) => kind === 'trunk')?.id;
  if (stemId === undefined) throw new Error('A limb map has a stem.');
  const highest = Math.max(
    0,
    ...found.filter(({ onId }) => onId === null).map(({ jointCm }) => jointCm.value),
  );
  const wasCm = limbs.find(({ id }) => id === stemId)?.lengthCm ?? 0;
  const stemCm = Math.max(1, Math.round(Math.max(highest, stem?.lengthCm.value ?? wasCm)));
  let map = stemCm === wasCm ? limbs : measured(limbs, stemId, { lengthCm: stemCm });
  for (const { id, onId, lengthCm, jointCm, bearingDeg, inclinationDeg, baseMm } of found) {
    const parent = map.find((limb) => limb.id === (onId ?? stemId));
    if (!parent) continue;
    const atCm = Math.round(Math.min(parent.lengthCm, Math.max(0, jointCm.value)));
    const isThere = map.some((limb) => limb.id === id);
    map = measured(isThere ? map : withLimb(map, parent.id, atCm, id).limbs, id, {
      jointCm: atCm,
      lengthCm: Math.max(1, Math.round(lengthCm.value)),
      bearingDeg: Math.round(bearingDeg.value) % 360,
      inclinationDeg: Math.round(inclinationDeg.value),
      ...(baseMm && { baseMm: Math.max(2, Math.round(baseMm.value)) }),
    });
  }
  return map;
}
