// How much of the light reaches the inner third of the crown?
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { z } from 'zod';
import { alike, diameterMmAt, indexLimbs, type Limb, limbShape, type Point, pointAlong } from '../tree/index';
import { crownOf } from './gapTest';
import { isShaded, type Shade } from './shade';

export const LightInside = z
  .strictObject({
    share: z.number().describe('mean share of sky light in the inner third of the crown'),
    leafAreaM2: z.number().describe('leaf area that was laid on the limbs, m²'),
  })
  .meta({ id: 'LightInside' });
export type LightInside = z.infer<typeof LightInside>;

/** Extinction of light by leaves. @source Beer–Lambert in crowns, 0.4–0.6, confidence high */
export const EXTINCTION = 0.5;
/** m² of leaf for each cm² of wood that carries it. @source pipe model; figure from memory, low confidence */
const LEAF_M2_PER_CM2 = 0.4;
/** Fruit buds and colour ask for about this share. @source Jackson 1970s, from memory, low confidence */
export const LIGHT_ENOUGH_FROM = 0.3;
const CELL_CM = 25;
const LEAF_SPREAD_CM = 25;
const LEAF_SAMPLES = 24;
const POINTS = 60;
const DIRECTIONS = 64;
const INNER = 1 / 3;

/**
 * Lays each limb’s leaves along its outer two thirds, within 25 cm of the wood, and follows rays from points in the inner third to the
 * sky; light falls off along each by Beer’s law with the leaf area it passes. Wood itself casts no shade here. After a cut the leaves are
 * those of the crown before it, less what came off: a limb does not inherit the leaves of the wood that was cut from it, so that taking
 * wood never lowers the light.
 *
 * @param limbs as they stand
 * @param crownLimbs as they grew, before any cut: they say where leaves hang and where the inner third is
 * @param shades what stands round the tree
 * @returns share 0..1, weighted as an overcast sky lights a level leaf; repeatable by the seed
 */
export function lightInside(
  limbs: Limb[],
  seed: number,
  crownLimbs: Limb[] = limbs,
  shades: readonly Shade[] = [],
): LightInside {
  const leaves = new Leaves();
  let leafAreaM2 = 0;
  for (const leaf of leavesLeft(limbs, seed, crownLimbs)) {
    leaves.add(leaf.at, leaf.areaM2);
    leafAreaM2 += leaf.areaM2;
  }
  const rays = raysOf(crownLimbs, seed);
  let sum = 0;
  for (const { from, direction } of rays) {
    if (!isShaded(from, direction, shades)) sum += Math.exp(-EXTINCTION * leaves.areaAlong(from, direction));
  }
  return { share: sum / rays.length, leafAreaM2 };
}

/** Share of the sky over the inner third of a crown that nothing outside the tree hides, 0..1. */
export function openSky(limbs: Limb[], shades: readonly Shade[]): number {
  if (shades.length === 0) return 1;
  const rays = raysOf(limbs, LIGHT_SEED);
  const open = rays.filter(({ from, direction }) => !isShaded(from, direction, shades));
  return open.length / rays.length;
}
/** Of the leaves and rays that a plan is made with, so that all that it tells of light and leaf goes by the same ones. */
export const LIGHT_SEED = 17;

/** Leaves of a crown that still hang when only these limbs stand. */
function leavesLeft(limbs: Limb[], seed: number, crownLimbs: Limb[]): Leaf[] {
  const all = leavesOf(crownLimbs, seed);
  if (crownLimbs === limbs) return all;
  const endCm = new Map(limbs.map((limb) => [limb.id, limb.lengthCm]));
  return all.filter((leaf) => leaf.atCm <= (endCm.get(leaf.limbId) ?? -1));
}

export interface Leaf {
  limbId: string;
  /** Where along the limb it hangs, cm. */
  atCm: number;
  at: Point;
  areaM2: number;
}

export function leavesOf(limbs: Limb[], seed: number): Leaf[] {
  const shape = limbShape(limbs);
  return leafAreas(limbs).flatMap(([limb, areaM2]) => {
    const stick = shape.get(limb.id);
    if (!stick) return [];
    const rng = xoroshiro128plus(seed ^ hashOf(limb.id));
    const random = () => uniformFloat64(rng);
    return Array.from({ length: LEAF_SAMPLES }, (): Leaf => {
      const along = 1 / 3 + (2 / 3) * random();
      return {
        limbId: limb.id,
        atCm: along * limb.lengthCm,
        at: near(spreadOut(limb, pointAlong(stick, along), shape, random), random),
        areaM2: areaM2 / LEAF_SAMPLES,
      };
    });
  });
}

/** The leaves of a bundle hang on all of it: along the wood that it stands on. */
function spreadOut(limb: Limb, at: Point, shape: ReturnType<typeof limbShape>, random: () => number): Point {
  const on = limb.bundle && limb.parentId !== null ? shape.get(limb.parentId) : undefined;
  if (!on || !limb.bundle) return at;
  const along = { x: on.tip.x - on.base.x, y: on.tip.y - on.base.y, z: on.tip.z - on.base.z };
  const off = ((random() - 0.5) * limb.bundle.overCm) / Math.max(1, Math.hypot(along.x, along.y, along.z));
  return { x: at.x + along.x * off, y: at.y + along.y * off, z: at.z + along.z * off };
}

/** From points in the inner third of the crown to every part of the sky. */
export function raysOf(limbs: Limb[], seed: number): { from: Point; direction: Point }[] {
  const rng = xoroshiro128plus(seed);
  const random = () => uniformFloat64(rng);
  const crown = crownOf(
    limbs,
    [...limbShape(limbs)].map(([id, stick]) => ({ id, ...stick })),
  );
  const sky = skyDirections(DIRECTIONS);
  return Array.from({ length: POINTS }, () => inside(crown.centre, crown.half, INNER, random)).flatMap(
    (from) => sky.map((direction) => ({ from, direction })),
  );
}

function hashOf(text: string): number {
  let hash = 0;
  for (const letter of text) hash = (Math.imul(hash, 31) + letter.charCodeAt(0)) | 0;
  return hash;
}

/**
 * Leaf area carried by a limb itself: its section less those of the limbs on it. Wood of the stem carries none, and what the end of a
 * limb that was cut back once fed is gone.
 */
function leafAreas(limbs: Limb[]): [Limb, number][] {
  const { childrenOf } = indexLimbs(limbs);
  return limbs
    .filter((limb) => limb.kind !== 'trunk')
    .map((limb) => {
      const section = (mm: number) => Math.PI * (mm / 20) ** 2;
      const children = (childrenOf.get(limb.id) ?? []).reduce(
        (cm2, child) => cm2 + alike(child) * section(child.baseMm),
        0,
      );
      const tip = section(Math.min(limb.baseMm, diameterMmAt(limb, limb.lengthCm)));
      const ownLeaves =
        limb.uncutLengthCm === undefined
          ? Math.max(tip, section(limb.baseMm) - children)
          : Math.max(0, section(limb.baseMm) - children - tip);
      return [limb, alike(limb) * ownLeaves * LEAF_M2_PER_CM2];
    });
}

/** Leaf area in cubes of 25 cm, m². */
export class Leaves {
  private readonly cells = new Map<number, number>();

  add(at: Point, areaM2: number): void {
    const key = cellOf(at.x, at.y, at.z);
    this.cells.set(key, (this.cells.get(key) ?? 0) + areaM2);
  }

  /** Leaf area index met along a ray out to where no leaf is left, m² of leaf for each m² across the ray. */
  areaAlong(from: Point, direction: Point): number {
    let index = 0;
    alongRay(from, direction, (cell) => {
      index += (this.cells.get(cell) ?? 0) * PER_STEP;
    });
    return index;
  }
}

const STEP_CM = CELL_CM / 2;
/** A cube of 25 cm that holds a m² of leaf has a / 0.25³ m² a m³; a step of 0.125 m meets 0.125 of that. */
export const PER_STEP = STEP_CM / 100 / (CELL_CM / 100) ** 3;

/** Names the cubes that a ray passes, step by step, a cube as often as it is met. */
export function alongRay(from: Point, direction: Point, meet: (cell: number) => void): void {
  for (let along = STEP_CM / 2; along < FAR_CM; along += STEP_CM) {
    meet(cellOf(from.x + direction.x * along, from.y + direction.y * along, from.z + direction.z * along));
  }
}

const FAR_CM = 900;

/** A number for each cube within 128 m of the stem. */
export function cellOf(x: number, y: number, z: number): number {
  const [i, j, k] = [Math.floor(x / CELL_CM), Math.floor(y / CELL_CM), Math.floor(z / CELL_CM)];
  return ((i + HALF_CELLS) * CELLS + (j + HALF_CELLS)) * CELLS + (k + HALF_CELLS);
}
const HALF_CELLS = 512;
const CELLS = 1024;

function near(at: Point, random: () => number): Point {
  const jitter = () => (random() * 2 - 1) * LEAF_SPREAD_CM;
  return { x: at.x + jitter(), y: at.y + jitter(), z: at.z + jitter() };
}

function inside(centre: Point, half: Point, share: number, random: () => number): Point {
  for (;;) {
    const [x, y, z] = [random() * 2 - 1, random() * 2 - 1, random() * 2 - 1];
    if (x * x + y * y + z * z > 1) continue;
    return {
      x: centre.x + x * half.x * share,
      y: centre.y + y * half.y * share,
      z: centre.z + z * half.z * share,
    };
  }
}

/** Directions over the sky, each for the same share of light on a level leaf: spread by the golden angle, sin² of height even. */
export function skyDirections(count: number): Point[] {
  const golden = Math.PI * (3 - Math.sqrt(5));
  return Array.from({ length: count }, (_, i) => {
    const up = Math.sqrt((i + 0.5) / count);
    const flat = Math.sqrt(1 - up * up);
    return { x: flat * Math.cos(i * golden), y: flat * Math.sin(i * golden), z: up };
  });
}
