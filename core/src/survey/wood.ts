// Where does a limb stand by two rays to its tip, or by one and its hour? The same for photos and for aiming.
import { dot, long, minus, type Point } from '../tree/index';
import { bearingOf, degBetween, middleOf, nearestOn, onRay, type Ray, rayTo, steepness } from './space';

/** What a limb stands on: from its base, as far as it goes; null where nobody has seen its end. */
export interface Standing {
  ray: Ray;
  lengthCm: number | null;
}

/** The stem where nobody has measured it: plumb over its foot. */
export const PLUMB: Standing = {
  ray: { from: { x: 0, y: 0, z: 0 }, along: { x: 0, y: 0, z: 1 } },
  lengthCm: null,
};

/** What one knows of a tip: a ray toward it, and another one or the bearing that the limb has. */
export type TipSeen =
  | { kind: 'two'; ray: Ray; again: Ray }
  | { kind: 'hour'; ray: Ray; towardDeg: number }
  /** The stem’s end over its foot. */
  | { kind: 'plumb'; ray: Ray };

export interface Wood {
  base: Point;
  tip: Point;
  /** Along what it stands on. */
  jointCm: number;
  /** How far the rays pass each other by at the tip, cm; none where there is one ray. */
  missCm: number | null;
}

export type WoodFault =
  /** Two places so near each other that the tip may be anywhere along the line. */
  | { why: 'raysClose'; deg: number; leastDeg: number }
  /** One looks along the limb. */
  | { why: 'alongSight'; deg: number; leastDeg: number }
  /** The limb would end behind whoever looks at it, or under the ground. */
  | { why: 'nowhere' };

/** Closer together two rays do not tell how far off a tip is. */
const LEAST_RAYS_DEG = 30;
/** Seen more from its end than that, a limb’s length cannot be told by its hour. */
const LEAST_ASIDE_DEG = 40;
/** So far under the stem’s foot a tip may hang where the ground falls away. Common practice, no source. */
const DEEPEST_CM = -150;

/** Where a ray to a joint meets the wood that it is on; its ends are the farthest. */
export function jointOn(ray: Ray, { ray: on, lengthCm }: Standing): { atCm: number; missCm: number } {
  const met = nearestOn(on, ray);
  const along = met ? met[0] : 0;
  const atCm = Math.min(lengthCm ?? Number.POSITIVE_INFINITY, Math.max(0, along));
  const place = onRay(on, atCm);
  return { atCm, missCm: long(minus(place, onRay(ray, dot(minus(place, ray.from), ray.along)))) };
}

/**
 * A straight limb between its joint and its tip.
 *
 * @param base a ray to its joint; null where it begins with what it stands on
 */
export function woodOf(base: Ray | null, tip: TipSeen, on: Standing): Wood | WoodFault {
  const jointCm = base ? jointOn(base, on).atCm : 0;
  const from = onRay(on.ray, jointCm);
  const end = tipOf(tip, from);
  if ('why' in end) return end;
  return end.tip.z < DEEPEST_CM ? { why: 'nowhere' } : { base: from, jointCm, ...end };
}

function tipOf(seen: TipSeen, from: Point): Pick<Wood, 'tip' | 'missCm'> | WoodFault {
  if (seen.kind === 'two') return twoRays(seen.ray, seen.again);
  const { ray } = seen;
  if (seen.kind === 'plumb') {
    const { atCm } = jointOn(ray, PLUMB);
    return { tip: { x: 0, y: 0, z: atCm }, missCm: null };
  }
  const toward = (seen.towardDeg * Math.PI) / 180;
  const side = { x: Math.cos(toward), y: -Math.sin(toward), z: 0 };
  const deg = degBetween(rayTo({ x: 0, y: 0, z: 0 }, { ...ray.along, z: 0 }).along, {
    x: Math.sin(toward),
    y: Math.cos(toward),
    z: 0,
  });
  if (deg < LEAST_ASIDE_DEG) return { why: 'alongSight', deg, leastDeg: LEAST_ASIDE_DEG };
  const far = dot(minus(from, ray.from), side) / dot(ray.along, side);
  const tip = onRay(ray, far);
  const out = dot(minus(tip, from), { x: Math.sin(toward), y: Math.cos(toward), z: 0 });
  return far <= 0 || out < 0 ? { why: 'nowhere' } : { tip, missCm: null };
}

function twoRays(ray: Ray, again: Ray): Pick<Wood, 'tip' | 'missCm'> | WoodFault {
  const deg = degBetween(ray.along, again.along);
  const met = nearestOn(ray, again);
  if (!met || deg < LEAST_RAYS_DEG) return { why: 'raysClose', deg, leastDeg: LEAST_RAYS_DEG };
  if (met[0] <= 0 || met[1] <= 0) return { why: 'nowhere' };
  const [a, b] = [onRay(ray, met[0]), onRay(again, met[1])];
  return { tip: middleOf(a, b), missCm: long(minus(a, b)) };
}

export interface Sizes {
  jointCm: number;
  lengthCm: number;
  bearingDeg: number;
  inclinationDeg: number;
}

/** A limb’s figures as a limb map has them. */
export function sizesOf({ base, tip, jointCm }: Wood): Sizes {
  const way = minus(tip, base);
  const lengthCm = long(way);
  return {
    jointCm,
    lengthCm,
    bearingDeg: bearingOf(way),
    inclinationDeg: lengthCm === 0 ? 90 : steepness(way),
  };
}
