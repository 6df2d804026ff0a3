// Limbs that were measured from afar, put on a limb map.
import { type Limb, measured, withLimb } from '../tree/index';
import type { RangedWood } from './ranged';

export type MeasuredLimb = Pick<RangedWood, 'lengthCm' | 'jointCm' | 'bearingDeg' | 'inclinationDeg'> & {
  id: string;
  onId: string | null;
  baseMm?: { value: number } | null;
};

/**
 * The map with limbs that were measured. The stem reaches as high as its highest joint; what nobody measured across is as thick as wood on such
 * a limb usually is, and says so.
 *
 * @param stem what was measured of the stem; null where nobody did
 * @returns the map, and the ids of the new limbs by those they were measured under
 */
export function withMeasured(
  limbs: Limb[],
  found: readonly MeasuredLimb[],
  stem: Pick<RangedWood, 'lengthCm'> | null,
): { limbs: Limb[]; idOf: ReadonlyMap<string, string> } {
  const stemId = limbs.find(({ kind }) => kind === 'trunk')?.id;
  if (stemId === undefined) throw new Error('A limb map has a stem.');
  const highest = Math.max(
    0,
    ...found.filter(({ onId }) => onId === null).map(({ jointCm }) => jointCm.value),
  );
  const was = limbs.find(({ id }) => id === stemId)?.lengthCm ?? 0;
  const stemCm = Math.round(Math.max(highest, stem?.lengthCm.value ?? was));
  let map = stemCm === was ? limbs : measured(limbs, stemId, { lengthCm: Math.max(1, stemCm) });
  const idOf = new Map<string, string>();
  for (const limb of found) {
    const parentId = limb.onId === null ? stemId : idOf.get(limb.onId);
    if (parentId === undefined) continue;
    const parent = map.find(({ id }) => id === parentId) as Limb;
    const jointCm = Math.round(Math.min(parent.lengthCm, Math.max(0, limb.jointCm.value)));
    const next = withLimb(map, parentId, jointCm);
    map = measured(next.limbs, next.id, {
      lengthCm: Math.max(1, Math.round(limb.lengthCm.value)),
      bearingDeg: Math.round(limb.bearingDeg.value) % 360,
      inclinationDeg: Math.round(limb.inclinationDeg.value),
      ...(limb.baseMm && { baseMm: Math.max(2, Math.round(limb.baseMm.value)) }),
    });
    idOf.set(limb.id, next.id);
  }
  return { limbs: map, idOf };
}
