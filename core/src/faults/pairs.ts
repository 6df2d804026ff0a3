// Which two limbs rub, cross, or lie one over the other?
import { diameterMmAt, type Limb, minus, pointAlong } from '../tree/index';
import type { Fault, Wood } from './fault';
import { angleDeg, nearest, type Stick } from './segments';
import type { Limits } from './thresholds';

interface Placed {
  limb: Limb;
  stick: Stick;
  /** Box round the stick, cm, so that far pairs cost nothing. */
  low: [number, number, number];
  high: [number, number, number];
}

/** Each pair once; a pair that both rubs and crosses is told as rubbing. */
export function crossingsAndRubs({ tree, shape, flat }: Wood, limits: Limits): Fault[] {
  const placed = tree.limbs.flatMap((limb) => {
    const stick = shape.get(limb.id);
    // Of a bundle nobody knows where each stands
    return stick && !limb.bundle ? [boxed(limb, stick)] : [];
  });
  const reachCm = Math.max(limits.crossGapMm / 10, limits.shadeGapCm, 60);
  const found: Fault[] = [];
  placed.forEach((one, i) => {
    for (let j = i + 1; j < placed.length; j++) {
      const other = placed[j] as Placed;
      if (apart(one, other, reachCm)) continue;
      const fault = ofPair(one, other, limits) ?? (flat ? null : overAnother(one, other, limits));
      if (fault) found.push(fault);
    }
  });
  return found;
}

function boxed(limb: Limb, stick: Stick): Placed {
  const { base, tip } = stick;
  return {
    limb,
    stick,
    low: [Math.min(base.x, tip.x), Math.min(base.y, tip.y), Math.min(base.z, tip.z)],
    high: [Math.max(base.x, tip.x), Math.max(base.y, tip.y), Math.max(base.z, tip.z)],
  };
}

function apart(one: Placed, other: Placed, byCm: number): boolean {
  return ([0, 1, 2] as const).some((axis) => apartOn(axis, one, other, byCm));
}

function apartOn(axis: 0 | 1 | 2, one: Placed, other: Placed, byCm: number): boolean {
  return one.low[axis] - other.high[axis] > byCm || other.low[axis] - one.high[axis] > byCm;
}

const CROSSES_FROM_DEG = 45;

function ofPair(one: Placed, other: Placed, limits: Limits): Fault | null {
  const { distance, s, t } = nearest(one.stick, other.stick);
  const a = one.limb;
  const b = other.limb;
  const sCm = s * a.lengthCm;
  const tCm = t * b.lengthCm;
  // Most pairs are far apart; the finer questions are not asked of them
  const mostMm = limits.rubGapMm + ((limits.swayMmPerM + limits.fruitSagMmPerM) * (sCm + tCm)) / 100;
  if (distance * 10 - (a.baseMm + b.baseMm) / 2 > Math.max(mostMm, limits.crossGapMm)) return null;
  if (sharesNode(a, b, sCm, tCm)) return null;
  const radii = (diameterMmAt(a, sCm) + diameterMmAt(b, tCm)) / 2;
  const gapMm = distance * 10 - radii;
  const swayMm = (limits.swayMmPerM * (sCm + tCm)) / 100;
  // Only the upper one comes down on the other under fruit
  const upper = pointAlong(one.stick, s).z >= pointAlong(other.stick, t).z ? sCm : tCm;
  const neededMm = limits.rubGapMm + swayMm + (limits.fruitSagMmPerM * upper) / 100;
  if (gapMm < neededMm) {
    return pairFault(
      'rubbing',
      one,
      other,
      sCm,
      Math.max(0, gapMm),
      neededMm,
      1 + (neededMm - Math.max(0, gapMm)) / Math.max(10, neededMm),
    );
  }
  const angle = angleDeg(minus(one.stick.tip, one.stick.base), minus(other.stick.tip, other.stick.base));
  const crosses =
    angle >= CROSSES_FROM_DEG && angle <= 180 - CROSSES_FROM_DEG && s > 0 && s < 1 && t > 0 && t < 1;
  if (!crosses || distance * 10 >= limits.crossGapMm) return null;
  return pairFault(
    'crossing',
    one,
    other,
    sCm,
    distance * 10,
    limits.crossGapMm,
    1 + (limits.crossGapMm - distance * 10) / limits.crossGapMm,
  );
}

const DIAMETERS = 3;

/** Is the nearest place only where the two grow from one node? */
function sharesNode(a: Limb, b: Limb, sCm: number, tCm: number): boolean {
  // Straight sticks that grow from one another, or both from the stool, are nearest where they join
  if (b.parentId === a.id || a.parentId === b.id) return true;
  if (a.parentId !== b.parentId) return false;
  return a.parentId === null || Math.max(sCm, tCm) * 10 <= DIAMETERS * Math.max(a.baseMm, b.baseMm);
}

const STEPS = 8;
const BESIDE_CM = 15;
const MOSTLY_LEVEL_DEG = 50;

function isLevel(limb: Limb): boolean {
  return limb.kind !== 'trunk' && Math.abs(limb.inclinationDeg) <= MOSTLY_LEVEL_DEG;
}

/** How much of the lower limb’s length lies right under the upper one? Steep wood does not lie over anything. */
function overAnother(one: Placed, other: Placed, limits: Limits): Fault | null {
  if (!isLevel(one.limb) || !isLevel(other.limb)) return null;
  if (one.limb.parentId === other.limb.id || other.limb.parentId === one.limb.id) return null;
  if (apartOn(0, one, other, BESIDE_CM) || apartOn(1, one, other, BESIDE_CM)) return null;
  if (apartOn(2, one, other, limits.shadeGapCm)) return null;
  const firstIsUpper = one.stick.base.z + one.stick.tip.z >= other.stick.base.z + other.stick.tip.z;
  const upper = firstIsUpper ? one : other;
  const lower = firstIsUpper ? other : one;
  let covered = 0;
  for (let i = 0; i <= STEPS; i++) {
    // What is left cannot bring it over the limit any more
    if (((covered + STEPS + 1 - i) / (STEPS + 1)) * 100 < limits.shadeSharePercent) return null;
    const at = pointAlong(lower.stick, i / STEPS);
    const above = nearestInPlan(at, upper.stick);
    const dz = above.z - at.z;
    if (Math.hypot(above.x - at.x, above.y - at.y) <= BESIDE_CM && dz > 0 && dz <= limits.shadeGapCm)
      covered++;
  }
  const percent = (covered / (STEPS + 1)) * 100;
  if (percent < limits.shadeSharePercent) return null;
  return pairFault(
    'over another',
    lower,
    upper,
    lower.limb.lengthCm / 2,
    percent,
    limits.shadeSharePercent,
    percent / limits.shadeSharePercent,
  );
}

function nearestInPlan(at: { x: number; y: number }, { base, tip }: Stick) {
  const [dx, dy] = [tip.x - base.x, tip.y - base.y];
  const length = dx * dx + dy * dy;
  const share =
    length === 0 ? 0 : Math.max(0, Math.min(1, ((at.x - base.x) * dx + (at.y - base.y) * dy) / length));
  return pointAlong({ base, tip }, share);
}

function pairFault(
  kind: 'rubbing' | 'crossing' | 'over another',
  one: Placed,
  other: Placed,
  atCm: number,
  measured: number,
  limit: number,
  severity: number,
): Fault {
  const unit = kind === 'over another' ? '%' : 'mm';
  return { kind, limbIds: [one.limb.id, other.limb.id], atCm, measured, limit, unit, severity };
}
