// What does anyone on the ground call this limb?
import { CM_PER_INCH, clockHour, type Units } from '../measure/index';
import type { GivenName, Limb } from './limbMap';
import { limbShape } from './shape';
import { indexLimbs } from './wood';

const TIERS = ['low', 'middle', 'high'] as const;
/** Third of the tree's height that a limb joins in. */
export type Tier = (typeof TIERS)[number];

/** Where each limb joins: low, middle or high, as thirds of the highest tip. */
export function limbTiers(limbs: Limb[]): Map<string, Tier> {
  const shape = limbShape(limbs);
  const top = Math.max(...limbs.map((limb) => shape.get(limb.id)?.tip.z ?? 0), 1);
  return new Map(
    limbs.map((limb) => {
      const third = Math.floor(((shape.get(limb.id)?.base.z ?? 0) / top) * TIERS.length);
      return [limb.id, TIERS[Math.min(TIERS.length - 1, Math.max(0, third))] as Tier];
    }),
  );
}

/**
 * A name for every limb, minted from its bearing on the crown clock and the height of its joint: "4 o’clock, low".
 * Limbs on limbs are told by what they hang on. A given name is kept, whatever was measured since. Doubled names get a number in the order of the map.
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
  const tiers = limbTiers(limbs);
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
    if (limb.named?.own) return limb.named.own;
    if (limb.kind === 'trunk') return stems.length > 1 ? `Stem ${stems.indexOf(limb) + 1}` : 'Stem';
    const hour = `${limb.named?.hour ?? clockHour(limb.bearingDeg, twelveBearingDeg)} o’clock`;
    const parentOfBundle = limb.bundle && limb.parentId !== null ? index.byId.get(limb.parentId) : undefined;
    if (limb.bundle && parentOfBundle)
      return `${manyName(limb.bundle)} at ${wholeUnits(limb.bundle.part?.atCm ?? limb.named?.atCm ?? limb.jointCm, units)} on ${lowerFirst(names.get(parentOfBundle.id) ?? plainName(parentOfBundle))}`;
    if (limb.kind === 'sucker') return `Sucker at ${hour}`;
    const parent = limb.parentId === null ? undefined : index.byId.get(limb.parentId);
    if (parent && parent.kind !== 'trunk') {
      return `${hour} at ${wholeUnits(limb.named?.atCm ?? limb.jointCm, units)} on ${lowerFirst(names.get(parent.id) ?? plainName(parent))}`;
    }
    return `${hour}, ${limb.named?.tier ?? tiers.get(limb.id)}`;
  }
}

function manyName({ about, part }: NonNullable<Limb['bundle']>): string {
  return part ? `The ${about} ${part.which} of about ${part.of}` : `About ${about}`;
}

/** Gives every limb that has none the name it is to keep: by its bearing and joint as they are now. */
export function withGivenNames(limbs: Limb[], twelveBearingDeg: number): Limb[] {
  const tiers = limbTiers(limbs);
  const { byId } = indexLimbs(limbs);
  return limbs.map((limb) => {
    if (limb.named || limb.kind === 'trunk') return limb;
    const parent = limb.parentId === null ? undefined : byId.get(limb.parentId);
    const named: GivenName = {
      hour: clockHour(limb.bearingDeg, twelveBearingDeg),
      ...(parent && parent.kind !== 'trunk' ? { atCm: limb.jointCm } : { tier: tiers.get(limb.id) as Tier }),
    };
    return { ...limb, named };
  });
}

function wholeUnits(cm: number, units: Units): string {
  return units === 'us' ? `${Math.round(cm / CM_PER_INCH)} in` : `${Math.round(cm)} cm`;
}

/** A name in the middle of a sentence: “stem”, “sucker at 2 o’clock”. */
export function lowerFirst(text: string): string {
  return text.charAt(0).toLowerCase() + text.slice(1);
}
