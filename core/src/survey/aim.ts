// What limbs does a tree have by the directions that a phone was aimed in, from places whose distance is known?

import { z } from 'zod';
import { dot, drawnSticks, type Limb, limbShape, long, minus, type Point } from '../tree/index';
import { AWAY_SHARE, EYE_CM_GIVE, HOUR_DEG_GIVE } from './give';
import { AWAY_CM, EYE_CM } from './photo';
import { type RangedWood, rangedWood, standingOn, together, type Uncertain } from './ranged';
import { bearingOf, nearestOn, onRay, type Ray, rayTo, steepness } from './space';
import { type TipSeen, type WoodFault, woodOf } from './wood';

/** How a phone is held, as its sensor tells. Source: W3C Device Orientation and Motion, “deviceorientation”: turns about Z, X’, Y’’. */
export interface Held {
  /** About the line upright, anticlockwise, degrees. */
  alpha: number;
  /** Front to back. */
  beta: number;
  /** Left to right. */
  gamma: number;
}

const Aim = z.strictObject({
  /** Clockwise from wherever the sensor counts: only differences are used. */
  headingDeg: z.number(),
  /** Above level. */
  tiltDeg: z.number().min(-90).max(90),
});
export type Aim = z.infer<typeof Aim>;

/**
 * Where the back of the phone looks.
 *
 * @example aimOf({ alpha: 0, beta: 90, gamma: 0 }) //=> { headingDeg: 0, tiltDeg: 0 }
 */
export function aimOf({ alpha, beta, gamma }: Held): Aim {
  const rad = Math.PI / 180;
  const [ca, sa] = [Math.cos(alpha * rad), Math.sin(alpha * rad)];
  const [cb, sb] = [Math.cos(beta * rad), Math.sin(beta * rad)];
  const [cg, sg] = [Math.cos(gamma * rad), Math.sin(gamma * rad)];
  const back = { x: -(ca * sg + sa * sb * cg), y: -(sa * sg - ca * sb * cg), z: -(cb * cg) };
  return { headingDeg: bearingOf(back), tiltDeg: steepness(back) };
}

export const AimedLimb = z.strictObject({
  id: z.string().min(1).max(64),
  onId: z.string().min(1).max(64).nullable().describe('the limb that it stands on; null: on the stem'),
  joint: Aim.nullable(),
  tip: Aim.nullable(),
  tipAgain: Aim.nullable().describe('from the second place'),
  towardDeg: z.number().min(0).lt(360).nullable().describe('bearing by its hour, where there is one place'),
});
export type AimedLimb = z.infer<typeof AimedLimb>;

export const Aiming = z
  .strictObject({
    twelveDeg: z.number().describe('bearing of 12 o’clock'),
    towardTwelve: Aim.nullable().describe('aimed along 12 o’clock, before all else'),
    eyeCm: z.number().min(EYE_CM.least).max(EYE_CM.most),
    places: z
      .array(
        z.strictObject({
          towardStem: Aim.nullable(),
          awayCm: z.number().min(AWAY_CM.least).max(AWAY_CM.most).describe('from the stem'),
        }),
      )
      .min(1)
      .max(2),
    limbs: z.array(AimedLimb).max(200),
  })
  .meta({ id: 'Aiming' });
export type Aiming = z.infer<typeof Aiming>;

/** One standard deviation each. Compass of a phone clear of iron, and its tilt: common practice, no source. */
const GIVE = { headingDeg: 4, tiltDeg: 1 } as const;

export type AimFault =
  | WoodFault
  | { why: 'noTwelve' }
  | { why: 'noStem' }
  | { why: 'noJoint' }
  | { why: 'noTip' }
  | { why: 'noHour' }
  | { why: 'onUnknown' };

export type LimbAimed = RangedWood & { id: string; onId: string | null };
export type Aimed = LimbAimed | { id: string; fault: AimFault };

/** All limbs that the aims tell of, in their order: a limb stands on one that comes before it. */
export function aimed(aiming: Aiming): Aimed[] {
  const measured = new Map<string, LimbAimed>();
  return aiming.limbs.map((limb) => {
    const found = limbOf(limb, aiming, measured);
    if ('why' in found) return { id: limb.id, fault: found };
    measured.set(limb.id, found);
    return found;
  });
}

function limbOf(
  limb: AimedLimb,
  aiming: Aiming,
  measured: ReadonlyMap<string, LimbAimed>,
): LimbAimed | AimFault {
  const { towardTwelve, twelveDeg, eyeCm, places } = aiming;
  const on = limb.onId === null ? null : measured.get(limb.onId);
  const [place, second] = places as [Aiming['places'][number], Aiming['places'][number] | undefined];
  if (!towardTwelve) return { why: 'noTwelve' };
  if (!place.towardStem) return { why: 'noStem' };
  if (on === undefined) return { why: 'onUnknown' };
  if (!limb.joint) return { why: 'noJoint' };
  if (!limb.tip) return { why: 'noTip' };
  const again = limb.tipAgain && second?.towardStem ? limb.tipAgain : null;
  if (!again && limb.towardDeg === null) return { why: 'noHour' };
  const heading = headingsFrom(towardTwelve, twelveDeg);
  const stood = again && second?.towardStem ? [place, second] : [place];
  const known: Uncertain = diagonal(
    [eyeCm, ...stood.flatMap(({ towardStem, awayCm }) => [Math.log(awayCm), heading(towardStem as Aim)])],
    [EYE_CM_GIVE, ...stood.flatMap(() => [AWAY_SHARE, GIVE.headingDeg])],
  );
  const aims = [limb.joint, limb.tip, ...(again ? [again] : [])];
  const taps = {
    values: [
      ...aims.flatMap((aim) => [heading(aim), aim.tiltDeg]),
      ...(again ? [] : [limb.towardDeg as number]),
    ],
    spread: [...aims.flatMap(() => [GIVE.headingDeg, GIVE.tiltDeg]), ...(again ? [] : [HOUR_DEG_GIVE])],
  };
  const standing = standingOn(on);
  const found = rangedWood(together(known, taps), (values) => {
    const [eye, away, toStem] = values as [number, number, number];
    const eyeAt = (logAway: number, stemDeg: number) => eyeOf(Math.exp(logAway), stemDeg, eye);
    const from = eyeAt(away, toStem);
    const [jointDeg, jointTilt, tipDeg, tipTilt, a, b] = values.slice(known.values.length) as Six;
    const ray = aimedRay(from, tipDeg, tipTilt);
    const seen: TipSeen = again
      ? {
          kind: 'two',
          ray,
          again: aimedRay(eyeAt(values[3] as number, values[4] as number), a as number, b as number),
        }
      : { kind: 'hour', ray, towardDeg: a as number };
    return woodOf(aimedRay(from, jointDeg, jointTilt), seen, standing);
  });
  return 'why' in found ? found : { ...found, id: limb.id, onId: limb.onId };
}

/** Compass bearings of aims: wherever the sensor has its zero, 12 o’clock was aimed at. */
const headingsFrom = (towardTwelve: Aim, twelveDeg: number) => (aim: Aim) =>
  twelveDeg + aim.headingDeg - towardTwelve.headingDeg;

type Six = [number, number, number, number, number?, number?];

function diagonal(values: number[], spread: readonly number[]): Uncertain {
  return together({ values: [], covariance: [] }, { values, spread });
}

/** Where the eyes are of somebody who looks at the stem in that direction. */
function eyeOf(awayCm: number, stemDeg: number, eyeCm: number): Point {
  const back = ((stemDeg + 180) * Math.PI) / 180;
  return { x: awayCm * Math.sin(back), y: awayCm * Math.cos(back), z: eyeCm };
}

function aimedRay(from: Point, headingDeg: number, tiltDeg: number): Ray {
  const [at, up] = [(headingDeg * Math.PI) / 180, (tiltDeg * Math.PI) / 180];
  const level = Math.cos(up);
  return { from, along: { x: Math.sin(at) * level, y: Math.cos(at) * level, z: Math.sin(up) } };
}

/** What the phone is aimed at. `joint` begins a limb where no limb is named. */
export type AimStep =
  | { what: 'twelve' }
  | { what: 'stem' }
  | { what: 'joint'; limbId: string | null }
  | { what: 'tip' | 'tipAgain'; limbId: string };

/** What is aimed at next: 12 o’clock, the stem, then limb by limb; null where nothing is left. @param which place, 0 or 1 */
export function nextAim({ towardTwelve, places, limbs }: Aiming, which: number): AimStep | null {
  if (!towardTwelve) return { what: 'twelve' };
  if (!places[which]?.towardStem) return { what: 'stem' };
  if (which === 0) {
    const begun = limbs.find(({ tip }) => tip === null);
    return begun ? { what: 'tip', limbId: begun.id } : { what: 'joint', limbId: null };
  }
  const left = limbs.find(({ tip, tipAgain }) => tip !== null && tipAgain === null);
  return left ? { what: 'tipAgain', limbId: left.id } : null;
}

/** The aims after one more. @param newId of a limb that begins here */
export function withAim(aiming: Aiming, which: number, step: AimStep, aim: Aim, newId: string): Aiming {
  if (step.what === 'twelve') return { ...aiming, towardTwelve: aim };
  if (step.what === 'stem') {
    const place = aiming.places[which];
    if (!place) return aiming;
    return { ...aiming, places: aiming.places.with(which, { ...place, towardStem: aim }) };
  }
  if (step.limbId === null) {
    const limb = { id: newId, onId: null, joint: aim, tip: null, tipAgain: null, towardDeg: null };
    return { ...aiming, limbs: [...aiming.limbs, limb] };
  }
  return {
    ...aiming,
    limbs: aiming.limbs.map((limb) => (limb.id === step.limbId ? { ...limb, [step.what]: aim } : limb)),
  };
}

/** Farther beside the wood the phone was aimed at nothing. */
const MOST_BESIDE_DEG = 8;

/** The limb that a phone is aimed at: the one least beside its line. Null where it is aimed at none. */
export function limbAimedAt(
  limbs: Limb[],
  aim: Aim,
  { towardTwelve, twelveDeg, eyeCm, places }: Pick<Aiming, 'towardTwelve' | 'twelveDeg' | 'eyeCm' | 'places'>,
): string | null {
  const place = places[0];
  if (!towardTwelve || !place?.towardStem) return null;
  const heading = headingsFrom(towardTwelve, twelveDeg);
  const ray = aimedRay(eyeOf(place.awayCm, heading(place.towardStem), eyeCm), heading(aim), aim.tiltDeg);
  const shape = limbShape(limbs);
  let best = { id: null as string | null, deg: MOST_BESIDE_DEG };
  for (const limb of limbs)
    for (const stick of drawnSticks(limb, shape)) {
      const deg = besideDeg(ray, stick, limb.lengthCm);
      if (deg < best.deg) best = { id: limb.id, deg };
    }
  return best.id;
}

function besideDeg(ray: Ray, { base, tip }: { base: Point; tip: Point }, lengthCm: number): number {
  const stick = rayTo(base, tip);
  const met = nearestOn(stick, ray);
  const at = onRay(stick, Math.max(0, Math.min(lengthCm, met ? met[0] : 0)));
  const along = dot(minus(at, ray.from), ray.along);
  if (along <= 0) return 180;
  return (Math.atan2(long(minus(at, onRay(ray, along))), along) * 180) / Math.PI;
}
