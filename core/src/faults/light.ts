// How much of the light reaches the inner third of the crown?
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { z } from 'zod';
import { diameterMmAt, indexLimbs, type Limb, limbShape, type Point, pointAlong } from '../tree/index';
import { crownOf } from './gapTest';

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
export const LEAF_M2_PER_CM2 = 0.4;
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
 * sky; light falls off along each by Beer’s law with the leaf area it passes. Wood itself casts no shade here.
 *
 * @returns share 0..1, weighted as an overcast sky lights a level leaf; repeatable by the seed
 */
export function lightInside(limbs: Limb[], seed: number): LightInside {
  const rng = xoroshiro128plus(seed);
  const random = () => uniformFloat64(rng);
  const shape = limbShape(limbs);
  const crown = crownOf(
    limbs,
    [...shape].map(([id, stick]) => ({ id, ...stick })),
  );
  const leaves = new Leaves();
  let leafAreaM2 = 0;
  for (const [limb, areaM2] of leafAreas(limbs)) {
    leafAreaM2 += areaM2;
    const stick = shape.get(limb.id);
    if (!stick) continue;
    for (let i = 0; i < LEAF_SAMPLES; i++) {
      const at = pointAlong(stick, 1 / 3 + (2 / 3) * random());
      leaves.add(near(at, random), areaM2 / LEAF_SAMPLES);
    }
  }
  const sky = skyDirections(DIRECTIONS);
  let sum = 0;
  for (let i = 0; i < POINTS; i++) {
    const at = inside(crown.centre, crown.half, INNER, random);
    for (const direction of sky) sum += Math.exp(-EXTINCTION * leaves.areaAlong(at, direction));
  }
  return { share: sum / (POINTS * DIRECTIONS), leafAreaM2 };
}

/** Leaf area carried by a limb itself: its section less those of the limbs on it. Wood of the stem carries none. */
function leafAreas(limbs: Limb[]): [Limb, number][] {
  const { childrenOf } = indexLimbs(limbs);
  return limbs
    .filter((limb) => limb.kind !== 'trunk')
    .map((limb) => {
      const section = (mm: number) => Math.PI * (mm / 20) ** 2;
      const children = (childrenOf.get(limb.id) ?? []).reduce((cm2, child) => cm2 + section(child.baseMm), 0);
      const tip = section(Math.min(limb.baseMm, diameterMmAt(limb, limb.lengthCm)));
      const own = Math.max(tip, section(limb.baseMm) - children);
      return [limb, own * LEAF_M2_PER_CM2];
    });
}

/** Leaf area in cubes of 25 cm, m². */
export class Leaves {
  private readonly cells = new Map<string, number>();

  add(at: Point, areaM2: number): void {
    const key = cellOf(at);
    this.cells.set(key, (this.cells.get(key) ?? 0) + areaM2);
  }

  /** Leaf area index met along a ray out to where no leaf is left, m² of leaf for each m² across the ray. */
  areaAlong(from: Point, direction: Point): number {
    const step = CELL_CM / 2;
    // A cube of 25 cm that holds a m² of leaf has a / 0.25³ m² a m³; a step of 0.125 m meets 0.125 of that
    const perStep = step / 100 / (CELL_CM / 100) ** 3;
    let index = 0;
    for (let along = step / 2; along < FAR_CM; along += step) {
      const at = {
        x: from.x + direction.x * along,
        y: from.y + direction.y * along,
        z: from.z + direction.z * along,
      };
      index += (this.cells.get(cellOf(at)) ?? 0) * perStep;
    }
    return index;
  }
}

const FAR_CM = 900;

function cellOf({ x, y, z }: Point): string {
  return `${Math.floor(x / CELL_CM)},${Math.floor(y / CELL_CM)},${Math.floor(z / CELL_CM)}`;
}

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
