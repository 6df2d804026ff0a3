// Where is this wood in space? Stem at the origin, x east, y north, z up, cm.
import type { Limb } from './limbMap';
import { indexLimbs, type LimbIndex } from './wood';

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
