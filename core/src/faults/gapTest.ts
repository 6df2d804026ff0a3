// Would a hat thrown through this crown come out on the other side?
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { z } from 'zod';
import { diameterMmAt, type Limb, limbShape, type Point } from '../tree/index';

export const GapTest = z
  .strictObject({
    throws: z.number().int(),
    passed: z.number().int(),
    share: z.number().describe('share of throws that came through'),
    interval: z.tuple([z.number(), z.number()]).describe('95 % Wilson interval of the share'),
    catchers: z
      .array(
        z.strictObject({ limbId: z.string(), caught: z.number().describe('share of all throws it caught') }),
      )
      .describe('limbs that caught most, most first'),
  })
  .meta({ id: 'GapTest' });
export type GapTest = z.infer<typeof GapTest>;

/** Radius of a hat, cm. Common practice, no source. */
export const HAT_RADIUS_CM = 12;
/** Open enough from this share on. Common practice, no source. */
export const OPEN_FROM = 0.3;
const MOST_CATCHERS = 6;
const Z95 = 1.959964;

/** A limb as seen along the throw, in the plane across it. */
export interface Seen {
  u1: number;
  v1: number;
  u2: number;
  v2: number;
  radius: number;
}

/**
 * Throws a disc through the crown from directions all round and counts how often no limb stops it. The crown is the
 * ellipsoid round all wood above the lowest joint; where the disc goes through it is drawn at random, from the seed.
 *
 * @param throws number of throws
 * @param discRadiusCm radius of hat or ball, cm
 * @param crownLimbs through whose crown it is thrown; the limbs themselves unless a crown is compared with an earlier one
 * @returns the share that came through with its 95 % interval, and the limbs that caught most
 * @source interval: Wilson 1927, J. Am. Stat. Assoc. 22:209
 */
export function gapTest(
  limbs: Limb[],
  throws: number,
  seed: number,
  discRadiusCm = HAT_RADIUS_CM,
  crownLimbs: Limb[] = limbs,
): GapTest {
  const rng = xoroshiro128plus(seed);
  const random = () => uniformFloat64(rng);
  const sticks = [...limbShape(limbs)].map(([id, stick]) => ({ id, ...stick }));
  const radii = new Map(limbs.map((limb) => [limb.id, meanRadiusCm(limb)]));
  const crown = crownOf(
    crownLimbs,
    crownLimbs === limbs ? sticks : [...limbShape(crownLimbs)].map(([id, stick]) => ({ id, ...stick })),
  );
  const caught = new Map<string, number>();
  let passed = 0;
  for (let i = 0; i < throws; i++) {
    const across = acrossRandomDirection(random);
    const at = throughCrown(crown, across, random);
    let clear = true;
    for (const stick of sticks) {
      const seen = seenAcross(stick, across, radii.get(stick.id) as number);
      if (!hits(seen, at.u, at.v, discRadiusCm)) continue;
      clear = false;
      caught.set(stick.id, (caught.get(stick.id) ?? 0) + 1);
    }
    if (clear) passed++;
  }
  const catchers = [...caught]
    .map(([limbId, count]) => ({ limbId, caught: count / throws }))
    .sort((a, b) => b.caught - a.caught)
    .slice(0, MOST_CATCHERS);
  return {
    throws,
    passed,
    share: throws === 0 ? 0 : passed / throws,
    interval: wilson(passed, throws),
    catchers,
  };
}

/** Of the limb as it grew: cutting its thin end off makes no limb thicker. */
function meanRadiusCm(limb: Limb): number {
  return diameterMmAt(limb, (limb.uncutLengthCm ?? limb.lengthCm) / 2) / 20;
}

/** Does the disc at (u, v) touch the limb? */
export function hits({ u1, v1, u2, v2, radius }: Seen, u: number, v: number, discRadius: number): boolean {
  const [du, dv] = [u2 - u1, v2 - v1];
  const length = du * du + dv * dv;
  const share = length === 0 ? 0 : Math.max(0, Math.min(1, ((u - u1) * du + (v - v1) * dv) / length));
  const [gu, gv] = [u1 + share * du - u, v1 + share * dv - v];
  const reach = radius + discRadius;
  return gu * gu + gv * gv < reach * reach;
}

/** 95 % interval of a share; 0–1 when nothing was thrown. */
export function wilson(passed: number, of: number): [number, number] {
  if (of === 0) return [0, 1];
  const p = passed / of;
  const z2 = Z95 * Z95;
  const middle = (p + z2 / (2 * of)) / (1 + z2 / of);
  const half = (Z95 * Math.sqrt((p * (1 - p)) / of + z2 / (4 * of * of))) / (1 + z2 / of);
  return [Math.max(0, middle - half), Math.min(1, middle + half)];
}

export interface Crown {
  centre: Point;
  /** Half axes of the ellipsoid, cm. */
  half: Point;
}

/** The ellipsoid round all wood above the lowest joint; of a bare stem, round the stem. */
export function crownOf(limbs: Limb[], sticks: readonly { id: string; base: Point; tip: Point }[]): Crown {
  const kind = new Map(limbs.map((limb) => [limb.id, limb.kind]));
  const main = sticks.filter((stick) => kind.get(stick.id) !== 'trunk' && kind.get(stick.id) !== 'sucker');
  const points = (main.length > 0 ? main : sticks).flatMap(({ base, tip }) => [base, tip]);
  const range = (axis: keyof Point): [number, number] => {
    const values = points.map((point) => point[axis]);
    return [Math.min(...values), Math.max(...values)];
  };
  const axes = { x: range('x'), y: range('y'), z: range('z') };
  const middle = ([low, high]: [number, number]) => (low + high) / 2;
  const half = ([low, high]: [number, number]) => Math.max(10, (high - low) / 2);
  return {
    centre: { x: middle(axes.x), y: middle(axes.y), z: middle(axes.z) },
    half: { x: half(axes.x), y: half(axes.y), z: half(axes.z) },
  };
}

interface Across {
  u: Point;
  v: Point;
}

/** Two directions at right angles to a throw that comes from anywhere with the same chance. */
function acrossRandomDirection(random: () => number): Across {
  const z = 2 * random() - 1;
  const turnRad = 2 * Math.PI * random();
  const flat = Math.sqrt(1 - z * z);
  const [x, y] = [flat * Math.cos(turnRad), flat * Math.sin(turnRad)];
  const u = flat < 1e-9 ? { x: 1, y: 0, z: 0 } : { x: -y / flat, y: x / flat, z: 0 };
  return { u, v: { x: -z * u.y, y: z * u.x, z: x * u.y - y * u.x } };
}

/** Where the disc’s middle goes through: anywhere in the outline of the ellipsoid as seen along the throw. */
function throughCrown(
  { centre, half }: Crown,
  { u, v }: Across,
  random: () => number,
): { u: number; v: number } {
  // Outline: { M w : |w| ≤ 1 }, M the square root of the 2 × 2 matrix of the squared half axes in the plane
  const form = (a: Point, b: Point) =>
    a.x * b.x * half.x ** 2 + a.y * b.y * half.y ** 2 + a.z * b.z * half.z ** 2;
  const [uu, uv, vv] = [form(u, u), form(u, v), form(v, v)];
  const l11 = Math.sqrt(uu);
  const l21 = uv / l11;
  const l22 = Math.sqrt(Math.max(0, vv - l21 * l21));
  const radius = Math.sqrt(random());
  const angle = 2 * Math.PI * random();
  const [w1, w2] = [radius * Math.cos(angle), radius * Math.sin(angle)];
  const at = (axis: Point) => centre.x * axis.x + centre.y * axis.y + centre.z * axis.z;
  return { u: at(u) + l11 * w1, v: at(v) + l21 * w1 + l22 * w2 };
}

function seenAcross({ base, tip }: { base: Point; tip: Point }, { u, v }: Across, radius: number): Seen {
  return {
    u1: base.x * u.x + base.y * u.y + base.z * u.z,
    v1: base.x * v.x + base.y * v.y + base.z * v.z,
    u2: tip.x * u.x + tip.y * u.y + tip.z * u.z,
    v2: tip.x * v.x + tip.y * v.y + tip.z * v.z,
    radius,
  };
}
