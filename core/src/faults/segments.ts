// How near do two limbs come, and where?
import { dot, long, type Point } from '../tree/index';

export interface Stick {
  base: Point;
  tip: Point;
}

export interface Nearest {
  /** Between the axes, in the unit of the points. */
  distance: number;
  /** Share 0..1 along the first and the second, where they are nearest. */
  s: number;
  t: number;
}

const TINY = 1e-12;

/**
 * The shortest distance between two straight sticks; sticks of no length are points.
 *
 * @source Ericson 2005, Real-Time Collision Detection, closest points of two segments
 * @example nearest({ base: (0,0,0), tip: (2,0,0) }, { base: (1,-1,0.05), tip: (1,1,0.05) }).distance //=> 0.05
 */
export function nearest(one: Stick, other: Stick): Nearest {
  // Plain numbers throughout: this runs for every pair of limbs
  const d1x = one.tip.x - one.base.x;
  const d1y = one.tip.y - one.base.y;
  const d1z = one.tip.z - one.base.z;
  const d2x = other.tip.x - other.base.x;
  const d2y = other.tip.y - other.base.y;
  const d2z = other.tip.z - other.base.z;
  const rx = one.base.x - other.base.x;
  const ry = one.base.y - other.base.y;
  const rz = one.base.z - other.base.z;
  const a = d1x * d1x + d1y * d1y + d1z * d1z;
  const e = d2x * d2x + d2y * d2y + d2z * d2z;
  const f = d2x * rx + d2y * ry + d2z * rz;
  const c = d1x * rx + d1y * ry + d1z * rz;
  let s = 0;
  let t = 0;
  if (a <= TINY && e > TINY) t = unit(f / e);
  else if (e <= TINY && a > TINY) s = unit(-c / a);
  else if (a > TINY && e > TINY) {
    const b = d1x * d2x + d1y * d2y + d1z * d2z;
    const denominator = a * e - b * b;
    s = denominator > TINY * a * e ? unit((b * f - c * e) / denominator) : 0;
    t = (b * s + f) / e;
    if (t < 0) {
      t = 0;
      s = unit(-c / a);
    } else if (t > 1) {
      t = 1;
      s = unit((b - c) / a);
    }
  }
  const x = rx + d1x * s - d2x * t;
  const y = ry + d1y * s - d2y * t;
  const z = rz + d1z * s - d2z * t;
  return { distance: Math.sqrt(x * x + y * y + z * z), s, t };
}

/** Angle between two directions, degrees 0..180. */
export function angleDeg(a: Point, b: Point): number {
  const size = long(a) * long(b);
  return size === 0 ? 0 : (Math.acos(Math.max(-1, Math.min(1, dot(a, b) / size))) * 180) / Math.PI;
}

function unit(x: number): number {
  return x < 0 ? 0 : x > 1 ? 1 : x;
}
