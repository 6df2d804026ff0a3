// What does anyone on the ground call this limb?
import { CM_PER_INCH, clockHour, type Units } from '../measure/index';
import type { Limb } from './limbMap';
import { limbShape } from './shape';
import { indexLimbs } from './wood';

const BANDS = ['low', 'middle', 'high'] as const;

/**
 * A name for every limb, minted from its bearing on the crown clock and the height of its joint: "4 o’clock, low".
 * Limbs on limbs are told by what they hang on. Doubled names get a number in the order of the map.
 *
 * @param twelveBearingDeg bearing of 12 o'clock at this site
 * @param units of the tape that a place on a limb is told by; whole cm or in
 * @returns name by limb id
 */
export function limbNames(
  limbs: Limb[],
  twelveBearingDeg: number,
  units: Units = 'metric',
): Map<string, string> {
  const index = indexLimbs(limbs);
  const shape = limbShape(limbs);
  const top = Math.max(...limbs.map((limb) => shape.get(limb.id)?.tip.z ?? 0), 1);
  const stems = limbs.filter((limb) => limb.kind === 'trunk');
  const names = new Map<string, string>();
  const taken = new Map<string, number>();

  for (const limb of limbs) {
    const name = plainName(limb);
    const before = taken.get(name) ?? 0;
    taken.set(name, before + 1);
    names.set(limb.id, before === 0 ? name : `${name} (${before + 1})`);
  }
  return names;

  function plainName(limb: Limb): string {
    if (limb.kind === 'trunk') return stems.length > 1 ? `Stem ${stems.indexOf(limb) + 1}` : 'Stem';
    const hour = `${clockHour(limb.bearingDeg, twelveBearingDeg)} o’clock`;
    if (limb.kind === 'sucker') return `Sucker at ${hour}`;
    const parent = limb.parentId === null ? undefined : index.byId.get(limb.parentId);
    if (parent && parent.kind !== 'trunk') {
      return `${hour} at ${wholeUnits(limb.jointCm, units)} on ${lowerFirst(names.get(parent.id) ?? plainName(parent))}`;
    }
    const share = (shape.get(limb.id)?.base.z ?? 0) / top;
    return `${hour}, ${BANDS[Math.min(2, Math.floor(share * 3))]}`;
  }
}

function wholeUnits(cm: number, units: Units): string {
  return units === 'us' ? `${Math.round(cm / CM_PER_INCH)} in` : `${Math.round(cm)} cm`;
}

function lowerFirst(name: string): string {
  return name.charAt(0).toLowerCase() + name.slice(1);
}
