// Where is this wood in space? Stem at the origin, x east, y north, z up, cm.
import type { Limb } from './limbMap';
import { indexLimbs, type LimbIndex } from './wood';

/** A straight limb in space. */
export interface Stick {
  base: Point;
  tip: Point;
}

export interface Point {
  x: number;
  y: number;
  z: number;
}

/** Base and tip of every limb, each a straight stick at its bearing and inclination. Radii of parents are left out: a drawing does not need them. */
export function limbShape(limbs: Limb[]): Map<string, { base: Point; tip: Point }> {
  const index = indexLimbs(limbs);
  const shape = new Map<string, { base: Point; tip: Point }>();
  for (const limb of limbs) place(limb, index, shape);
  return shape;
}

function place(
  limb: Limb,
  index: LimbIndex,
  shape: Map<string, { base: Point; tip: Point }>,
): { base: Point; tip: Point } {
  const alreadyShaped = shape.get(limb.id);
  if (alreadyShaped) return alreadyShaped;
  const parent = limb.parentId === null ? undefined : index.byId.get(limb.parentId);
  const onParent = parent && place(parent, index, shape);
  const base =
    onParent && parent ? pointAlong(onParent, limb.jointCm / parent.lengthCm) : { x: 0, y: 0, z: 0 };
  const placed = { base, tip: add(base, direction(limb), limb.lengthCm) };
  shape.set(limb.id, placed);
  return placed;
}

/** The point at a share 0..1 of the way from base to tip. */
export function pointAlong(limb: { base: Point; tip: Point }, share: number): Point {
  return {
    x: limb.base.x + (limb.tip.x - limb.base.x) * share,
    y: limb.base.y + (limb.tip.y - limb.base.y) * share,
    z: limb.base.z + (limb.tip.z - limb.base.z) * share,
  };
}

function direction(limb: Limb): Point {
  const bearing = (limb.bearingDeg * Math.PI) / 180;
  const inclination = (limb.inclinationDeg * Math.PI) / 180;
  return {
    x: Math.sin(bearing) * Math.cos(inclination),
    y: Math.cos(bearing) * Math.cos(inclination),
    z: Math.sin(inclination),
  };
}

function add(from: Point, along: Point, length: number): Point {
  return { x: from.x + along.x * length, y: from.y + along.y * length, z: from.z + along.z * length };
}

/** A thicket is drawn with so many of its limbs. */
const DRAWN = 5;
const FAN_DEG = 12;

/**
 * The sticks that a limb is drawn with: its own, or a handful of those that a bundle stands for, over the whole stretch that they stand on.
 *
 * @param shape of the whole tree
 */
export function drawnSticks(limb: Limb, shape: ReadonlyMap<string, Stick>): Stick[] {
  const own = shape.get(limb.id);
  const on = limb.parentId === null ? undefined : shape.get(limb.parentId);
  if (!own) return [];
  if (!limb.bundle || !on) return [own];
  const { about, overCm } = limb.bundle;
  const count = Math.min(DRAWN, about);
  const long = Math.hypot(on.tip.x - on.base.x, on.tip.y - on.base.y, on.tip.z - on.base.z);
  return Array.from({ length: count }, (_, i) => {
    const off = (i / Math.max(1, count - 1) - 0.5) * overCm;
    const base = add(
      own.base,
      pointAlong({ base: { x: 0, y: 0, z: 0 }, tip: minusOf(on) }, 1 / Math.max(1, long)),
      off,
    );
    const turned = { ...limb, bearingDeg: limb.bearingDeg + FAN_DEG * ((i % 3) - 1) };
    return { base, tip: add(base, direction(turned), limb.lengthCm) };
  });
}

const minusOf = ({ base, tip }: Stick): Point => ({
  x: tip.x - base.x,
  y: tip.y - base.y,
  z: tip.z - base.z,
});
