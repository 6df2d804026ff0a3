// How much light would the inner crown gain by each of these cuts alone?
import { indexLimbs, isDistalOf, type Kerf, type Limb } from '../tree/index';
import { alongRay, cellOf, EXTINCTION, type Leaf, leavesOf, PER_STEP, raysOf } from './light';
import { isShaded, type Shade } from './shade';

interface LightGains {
  /** Share of sky light in the inner third as the crown stands, 0..1. */
  share: number;
  /** Gain of each kerf alone, percentage points. */
  points: number[];
}

/** Rays looked at; every so manyth of all, as gains are small and many kerfs are asked for. */
const EVERY_RAY = 3;

/**
 * The gain of each kerf alone, on the same rays and leaves, so that the differences carry no noise of their own.
 *
 * @param shades what stands round the tree
 * @returns percentage points of light in the inner third, one for each kerf
 * @source as `lightInside`
 */
export function lightGains(
  limbs: Limb[],
  seed: number,
  kerfs: readonly Kerf[],
  shades: readonly Shade[] = [],
): LightGains {
  const leaves = leavesOf(limbs, seed);
  const takersOf = leafTakers(limbs, kerfs);
  // Leaves taken by each kerf, as groups: a leaf belongs to the set of kerfs that take it
  const groupOf = new Map<string, number>();
  const groups: number[][] = [];
  const inCell = new Map<number, Map<number, number>>();
  for (const leaf of leaves) {
    const takers = takersOf(leaf);
    const key = takers.join();
    let group = groupOf.get(key);
    if (group === undefined) {
      group = groups.length;
      groupOf.set(key, group);
      groups.push(takers);
    }
    const cell = cellOf(leaf.at.x, leaf.at.y, leaf.at.z);
    const held = inCell.get(cell) ?? new Map<number, number>();
    held.set(group, (held.get(group) ?? 0) + leaf.areaM2);
    inCell.set(cell, held);
  }
  const gains = new Float64Array(kerfs.length);
  const met = new Float64Array(groups.length);
  const taken = new Float64Array(kerfs.length);
  const rays = raysOf(limbs, seed).filter((_, i) => i % EVERY_RAY === 0);
  let light = 0;
  for (const { from, direction } of rays) {
    if (isShaded(from, direction, shades)) continue;
    met.fill(0);
    alongRay(from, direction, (cell) => {
      const held = inCell.get(cell);
      if (held) for (const [group, area] of held) met[group] = (met[group] as number) + area * PER_STEP;
    });
    taken.fill(0);
    let whole = 0;
    met.forEach((area, group) => {
      if (area === 0) return;
      whole += area;
      for (const i of groups[group] as number[]) taken[i] = (taken[i] as number) + area;
    });
    const before = Math.exp(-EXTINCTION * whole);
    light += before;
    taken.forEach((area, i) => {
      if (area > 0) gains[i] = (gains[i] as number) + Math.exp(-EXTINCTION * (whole - area)) - before;
    });
  }
  return {
    share: light / rays.length,
    points: [...gains].map((gain) => (100 * gain) / rays.length),
  };
}

/** Which kerfs take a leaf, by their index: those that take its limb whole, and those on it that take what lies beyond them. */
export function leafTakers(
  limbs: Limb[],
  kerfs: readonly Kerf[],
): (leaf: Pick<Leaf, 'limbId' | 'atCm'>) => number[] {
  const index = indexLimbs(limbs);
  const cache = new Map<string, { whole: number[]; here: number[] }>();
  const takersOn = (limbId: string) => {
    const had = cache.get(limbId);
    if (had) return had;
    const numbers = kerfs.map((_, i) => i);
    const takers = {
      whole: numbers.filter((i) => {
        const kerf = kerfs[i] as Kerf;
        return isDistalOf(index, limbId, 0, kerf.limbId, kerf.atCm);
      }),
      here: numbers.filter((i) => (kerfs[i] as Kerf).limbId === limbId && (kerfs[i] as Kerf).atCm > 0),
    };
    cache.set(limbId, takers);
    return takers;
  };
  return ({ limbId, atCm }) => {
    const ofLimb = takersOn(limbId);
    return ofLimb.whole.concat(ofLimb.here.filter((i) => atCm > (kerfs[i] as Kerf).atCm));
  };
}
