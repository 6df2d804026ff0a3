// Lines in space: where do two of them come nearest to each other, and how far apart are they there?
import { cross, dot, long, minus, type Point } from '../tree/index';

/** From a place along a direction of length 1. */
export interface Ray {
  from: Point;
  along: Point;
}

export const onRay = ({ from, along }: Ray, far: number): Point => ({
  x: from.x + along.x * far,
  y: from.y + along.y * far,
  z: from.z + along.z * far,
});
export const middleOf = (a: Point, b: Point): Point => ({
  x: (a.x + b.x) / 2,
  y: (a.y + b.y) / 2,
  z: (a.z + b.z) / 2,
});

/** The way from one place to another, of length 1; upward where they are one. */
export function rayTo(from: Point, to: Point): Ray {
  const way = minus(to, from);
  const far = long(way);
  if (far === 0) return { from, along: { x: 0, y: 0, z: 1 } };
  return { from, along: { x: way.x / far, y: way.y / far, z: way.z / far } };
}

/** Between two directions, degrees, at most 90: a line has no front. */
export function degBetween(a: Point, b: Point): number {
  return (Math.asin(Math.min(1, long(cross(a, b)))) * 180) / Math.PI;
}

/** How far along each of two rays they come nearest, cm; null where they are parallel. */
export function nearestOn(one: Ray, other: Ray): [number, number] | null {
  const turn = dot(one.along, other.along);
  const square = 1 - turn * turn;
  if (square < 1e-12) return null;
  const apart = minus(other.from, one.from);
  const [a, b] = [dot(apart, one.along), dot(apart, other.along)];
  return [(a - b * turn) / square, (a * turn - b) / square];
}

/** Where they stand on the compass, seen from the stem: bearing in degrees, 0 to 360. */
export const bearingOf = ({ x, y }: { x: number; y: number }) =>
  ((Math.atan2(x, y) * 180) / Math.PI + 360) % 360;

/** How steeply a way rises, degrees above level; the arc of its height alone would lose its last figures near upright. */
export const steepness = ({ x, y, z }: Point) => (Math.atan2(z, Math.hypot(x, y)) * 180) / Math.PI;
