// What does anyone on the ground call this limb?
import { CM_PER_INCH, clockHour, type Units } from '../measure/index';
import { withLabels } from './labels';
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

/** Between a label and what else a limb is called. */
const BESIDE = ' · ';

/**
 * A name for every limb: its label, and how it is found from the ground, by its bearing on the crown clock and the height of its joint:
 * “B · 4 o’clock, low”, “B3 · 5 o’clock, 240 cm out”. A name that somebody gave stands in place of the clock. A stem is a stem.
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
  const { byId } = indexLimbs(limbs);
  const tiers = limbTiers(limbs);
  const stems = limbs.filter((limb) => limb.kind === 'trunk');
  return new Map(
    withLabels(limbs, twelveBearingDeg).map((limb) => {
      const found = foundBy(limb);
      return [limb.id, limb.kind === 'trunk' && !limb.named?.own ? found : `${limb.label}${BESIDE}${found}`];
    }),
  );

  function foundBy(limb: Limb): string {
    if (limb.named?.own) return limb.named.own;
    if (limb.kind === 'trunk')
      return stems.length > 1 ? `Stem ${stems.findIndex(({ id }) => id === limb.id) + 1}` : 'Stem';
    const hour = `${limb.named?.hour ?? clockHour(limb.bearingDeg, twelveBearingDeg)} o’clock`;
    const parent = limb.parentId === null ? undefined : byId.get(limb.parentId);
    const isOnLimb = parent !== undefined && parent.kind !== 'trunk';
    const out = `${wholeUnits(limb.bundle?.part?.atCm ?? limb.named?.atCm ?? limb.jointCm, units)} out`;
    if (limb.bundle) return `${manyName(limb.bundle)}, ${out}`;
    if (limb.kind === 'sucker') return `sucker at ${hour}`;
    return isOnLimb ? `${hour}, ${out}` : `${hour}, ${limb.named?.tier ?? tiers.get(limb.id)}`;
  }
}

/** The label that leads a name; null where none does. @example labelIn('B3 · 5 o’clock, 240 cm out') //=> 'B3' */
export function labelIn(name: string): string | null {
  const [label, ...rest] = name.split(BESIDE);
  return rest.length > 0 && label !== undefined && /^[A-Z][A-Za-z0-9]*$/.test(label) ? label : null;
}

/** A name without its label. @example besideLabel('B3 · 5 o’clock, 240 cm out') //=> '5 o’clock, 240 cm out' */
export function besideLabel(name: string): string {
  const label = labelIn(name);
  return label === null ? name : name.slice(label.length + BESIDE.length);
}

function manyName({ about, part }: NonNullable<Limb['bundle']>): string {
  return part ? `the ${about} ${part.which} of about ${part.of}` : `about ${about}`;
}

/**
 * Gives every limb that has none the label and the name it is to keep: by its bearing and joint as they are now.
 *
 * @param before the map that this one takes the place of
 */
export function withGivenNames(limbs: Limb[], twelveBearingDeg: number, before: Limb[] = []): Limb[] {
  const tiers = limbTiers(limbs);
  const { byId } = indexLimbs(limbs);
  return withLabels(limbs, twelveBearingDeg, before).map((limb) => {
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
