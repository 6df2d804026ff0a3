// What a plain lens makes of the tree: a pinhole, its principal point in the middle of the picture.
import type { Spot } from '../sight/index';
import { dot, minus, type Point } from '../tree/index';
import { onRay, type Ray } from './space';

/** A lens somewhere round the tree. The stem’s foot is the origin, x east, y north, z up. */
export interface Lens {
  /** Compass bearing of where it stands, seen from the stem. */
  bearingDeg: number;
  /** From the stem, level, cm. */
  distanceCm: number;
  /** Over the stem’s foot, cm. */
  heightCm: number;
  /** How far to the right of the stem it looks. */
  yawDeg: number;
  /** How far upward it looks. */
  pitchDeg: number;
  /** How far the picture is turned clockwise. */
  rollDeg: number;
  /** Focal length in pixels of the picture. */
  focalPx: number;
}

export interface PictureSize {
  widthPx: number;
  heightPx: number;
}

/** Full frame: 36 × 24 mm. Focal lengths “in 35 mm film” are told by its diagonal. From memory: CIPA DCG-001. */
const FILM_DIAGONAL_MM = Math.hypot(36, 24);

/** @param focalMm35 focal length as on 35-mm film @example focalPx(26, { widthPx: 1200, heightPx: 1600 }) //=> 1202 */
export function focalPx(focalMm35: number, { widthPx, heightPx }: PictureSize): number {
  return (focalMm35 / FILM_DIAGONAL_MM) * Math.hypot(widthPx, heightPx);
}

interface Axes {
  eye: Point;
  right: Point;
  down: Point;
  away: Point;
}

const rad = (deg: number) => (deg * Math.PI) / 180;

/** A lens is asked for its axes again and again. */
const axes = new WeakMap<Lens, Axes>();

function axesOf(lens: Lens): Axes {
  const known = axes.get(lens);
  if (known) return known;
  const made = turnedAxes(lens);
  axes.set(lens, made);
  return made;
}

function turnedAxes({ bearingDeg, distanceCm, heightCm, yawDeg, pitchDeg, rollDeg }: Lens): Axes {
  const at = rad(bearingDeg);
  const eye = { x: distanceCm * Math.sin(at), y: distanceCm * Math.cos(at), z: heightCm };
  // Toward the stem, and so far to its right
  const look = rad(bearingDeg + 180 + yawDeg);
  const [level, up] = [Math.cos(rad(pitchDeg)), Math.sin(rad(pitchDeg))];
  const away = { x: Math.sin(look) * level, y: Math.cos(look) * level, z: up };
  const side = { x: Math.cos(look), y: -Math.sin(look), z: 0 };
  const under = { x: Math.sin(look) * up, y: Math.cos(look) * up, z: -level };
  const [c, s] = [Math.cos(rad(rollDeg)), Math.sin(rad(rollDeg))];
  const turned = (a: Point, b: Point, of: number, by: number) => ({
    x: a.x * of + b.x * by,
    y: a.y * of + b.y * by,
    z: a.z * of + b.z * by,
  });
  return { eye, away, right: turned(side, under, c, -s), down: turned(side, under, s, c) };
}

/** Where a place lies in the picture, and how far before the lens; null behind it. */
export function pictured(point: Point, lens: Lens, size: PictureSize): (Spot & { depthCm: number }) | null {
  const { eye, right, down, away } = axesOf(lens);
  const from = minus(point, eye);
  const depthCm = dot(from, away);
  if (depthCm <= 0) return null;
  return {
    x: size.widthPx / 2 + (lens.focalPx * dot(from, right)) / depthCm,
    y: size.heightPx / 2 + (lens.focalPx * dot(from, down)) / depthCm,
    depthCm,
  };
}

/** The ray from the lens through a place of its picture. */
export function rayThrough({ x, y }: Spot, lens: Lens, size: PictureSize): Ray {
  const { eye, right, down, away } = axesOf(lens);
  const [u, v] = [(x - size.widthPx / 2) / lens.focalPx, (y - size.heightPx / 2) / lens.focalPx];
  const long = Math.hypot(u, v, 1);
  const part = (of: 'x' | 'y' | 'z') => (right[of] * u + down[of] * v + away[of]) / long;
  return { from: eye, along: { x: part('x'), y: part('y'), z: part('z') } };
}

/**
 * How far beside the line of a ray a place of the picture lies, in pixels: the line is what the ray would look like from this lens.
 * To the one side it counts below zero.
 */
export function besideLine(spot: Spot, ray: Ray, lens: Lens, size: PictureSize): number {
  const { eye, right, down, away } = axesOf(lens);
  const inLens = (p: Point) => ({ x: dot(p, right), y: dot(p, down), z: dot(p, away) });
  const [to, along] = [inLens(minus(ray.from, eye)), inLens(ray.along)];
  // The plane through the lens and the ray cuts the picture in the line
  const a = to.y * along.z - to.z * along.y;
  const b = to.z * along.x - to.x * along.z;
  const c = to.x * along.y - to.y * along.x;
  const [u, v] = [(spot.x - size.widthPx / 2) / lens.focalPx, (spot.y - size.heightPx / 2) / lens.focalPx];
  return (lens.focalPx * (a * u + b * v + c)) / Math.hypot(a, b);
}

/** From where on, and how far, a tip may lie before a lens: as far as any crown reaches. */
const TIP_CM = { least: 60, most: 2500 } as const;

/**
 * What a ray from one lens looks like from another, as far as a tip may lie on it: two ends in the picture, or null where it is not seen.
 *
 * @example lineOf(rayThrough(tip, first, size), second, size) // where the tip must lie on the second photo
 */
export function lineOf(ray: Ray, lens: Lens, size: PictureSize): [Spot, Spot] | null {
  const seen: Spot[] = [];
  for (let far = TIP_CM.least; far <= TIP_CM.most; far += 20) {
    const spot = pictured(onRay(ray, far), lens, size);
    const isIn = spot && spot.x >= 0 && spot.y >= 0 && spot.x <= size.widthPx && spot.y <= size.heightPx;
    if (spot && isIn) seen.push({ x: spot.x, y: spot.y });
  }
  const [from, to] = [seen[0], seen.at(-1)];
  return from && to && seen.length > 1 ? [from, to] : null;
}
