// Does the crown hang to one side, and is there a side of it that bears no leaf?
import { type Leaf, leafTakers } from '../faults/index';
import { turn } from '../measure/index';
import { isTrainedFlat, type TreeForm } from '../register/index';
import { type Kerf, type Limb, limbShape } from '../tree/index';
import type { Gap } from './gap';

/** The crown is looked at in so many sectors; one with less leaf than this is a gap. The brief’s figures; common practice, no source. */
const SECTORS = 8;
const GAP_BELOW = 0.03;
/** Leaf of a crown, and where it hangs as seen from the stem. */
export interface LeafLoad {
  areaM2: number;
  /** Area by distance from the stem, m² · cm, to the east and to the north. */
  east: number;
  north: number;
  /** Area in each sector, m², the first round north, then clockwise. */
  sectors: readonly number[];
}

export interface Sides {
  /** |Σ A·x| / (Σ A·R): 0 where the leaf hangs evenly round the stem. */
  offCentre: number;
  /** Where it hangs to, compass bearing, degrees. */
  heavyDeg: number;
  /** Bare sectors side by side are one gap. */
  gaps: Gap[];
}

/** Has this tree sides at all? One that is trained flat has two, and is meant to; one with a single limb has none. */
export function hasSides(limbs: Limb[], form: TreeForm): boolean {
  return !isTrainedFlat(form) && limbs.filter(({ kind }) => kind === 'scaffold').length > 1;
}

/** How far the crown reaches from the stem, cm. */
export function crownRadiusCm(limbs: Limb[]): number {
  return Math.max(1, ...[...limbShape(limbs).values()].map(({ tip }) => Math.hypot(tip.x, tip.y)));
}

export function leafLoad(leaves: readonly Leaf[]): LeafLoad {
  const sectors = new Array<number>(SECTORS).fill(0);
  let [areaM2, east, north] = [0, 0, 0];
  for (const { at, areaM2: area } of leaves) {
    const sector = Math.round(turn((Math.atan2(at.x, at.y) * 180) / Math.PI) / SECTOR_DEG) % SECTORS;
    areaM2 += area;
    east += area * at.x;
    north += area * at.y;
    sectors[sector] = (sectors[sector] as number) + area;
  }
  return { areaM2, east, north, sectors };
}
const SECTOR_DEG = 360 / SECTORS;

/** The leaves that none of these kerfs takes. */
export function leavesWithout(limbs: Limb[], leaves: readonly Leaf[], kerfs: readonly Kerf[]): Leaf[] {
  const takersOf = leafTakers(limbs, kerfs);
  return leaves.filter((leaf) => takersOf(leaf).length === 0);
}

/** What each kerf alone takes of the leaf. */
export function loadsTaken(limbs: Limb[], leaves: readonly Leaf[], kerfs: readonly Kerf[]): LeafLoad[] {
  const takersOf = leafTakers(limbs, kerfs);
  const taken = kerfs.map((): Leaf[] => []);
  for (const leaf of leaves) for (const i of takersOf(leaf)) taken[i]?.push(leaf);
  return taken.map(leafLoad);
}

export function withoutLoad(load: LeafLoad, taken: LeafLoad): LeafLoad {
  return {
    areaM2: load.areaM2 - taken.areaM2,
    east: load.east - taken.east,
    north: load.north - taken.north,
    sectors: load.sectors.map((area, i) => area - (taken.sectors[i] as number)),
  };
}

/** A map of fewer limbs shows a gap only where so many sectors side by side are bare: between few sticks there is always one. Common practice, no source. */
const FULL_MAP_FROM = 3 * SECTORS;
const BARE_ON_COARSE = 3;

/** A crown before anything was cut. */
export interface WholeCrown {
  radiusCm: number;
  /** Limbs on its map. */
  limbCount: number;
}

/** The sides of a tree before anything is cut. */
export interface SidesNow extends Sides {
  leaves: Leaf[];
  load: LeafLoad;
  crown: WholeCrown;
}

export function sidesOf(
  { areaM2, east, north, sectors }: LeafLoad,
  { radiusCm, limbCount }: WholeCrown,
): Sides {
  if (areaM2 <= NO_LEAF_M2) return { offCentre: 0, heavyDeg: 0, gaps: [] };
  return {
    offCentre: Math.hypot(east, north) / (areaM2 * radiusCm),
    heavyDeg: turn((Math.atan2(east, north) * 180) / Math.PI),
    gaps: runsOf(
      sectors.map((area) => area < GAP_BELOW * areaM2),
      limbCount < FULL_MAP_FROM ? BARE_ON_COARSE : 1,
    ),
  };
}
const NO_LEAF_M2 = 1e-6;

/** Runs of bare sectors that are at least so long, round the whole circle. */
function runsOf(bare: readonly boolean[], atLeast: number): Gap[] {
  const from = bare.findIndex((each) => !each);
  const gaps: Gap[] = [];
  for (let step = 1; step <= SECTORS; ) {
    const long = runFrom(bare, from + step);
    if (long >= atLeast && long > 0)
      gaps.push({
        middleDeg: turn((from + step + (long - 1) / 2) * SECTOR_DEG),
        widthDeg: long * SECTOR_DEG,
      });
    step += long + 1;
  }
  return gaps;
}

function runFrom(bare: readonly boolean[], first: number): number {
  let long = 0;
  while (long < SECTORS && bare[(first + long) % SECTORS]) long++;
  return long;
}

/** Does a bearing lie within so many degrees of another? */
export function isWithin(bearingDeg: number, middleDeg: number, withinDeg: number): boolean {
  return Math.abs(turn(bearingDeg - middleDeg + 180) - 180) <= withinDeg;
}
