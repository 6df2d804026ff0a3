// What is said of one cut: how heavy and high it is and whose work, how far from every edge it falls, and what may stay behind?

import {
  type Clearance,
  disorderOf,
  type Edge,
  kindOf,
  type Season,
  YOUNG_BELOW_YEARS,
} from '../disorders/index';
import {
  type Caution,
  type Fall,
  fall,
  type Hazard,
  limbMass,
  loadIn,
  pieces,
  SHOULDER_CM,
  type Stick,
  type Strokes,
  strokes,
  type Tool,
  type Wielded,
  whoseCut,
} from '../handling/index';
import { treeAge } from '../register/index';
import {
  ageYearsAt,
  alike,
  comesOff,
  diameterMmAt,
  indexLimbs,
  type Kerf,
  type Limb,
  type LimbIndex,
  limbShape,
  pointAlong,
  wayToStool,
} from '../tree/index';
import { residual } from './hiddenExtent';

/** A finding as far as a cut near it is judged by it. */
export interface FindingAtCut {
  id: string;
  limbId: string;
  fromCm: number;
  toCm: number;
  disorder: string;
  edge: Edge;
  growthRapid: boolean;
  healed?: boolean | undefined;
  /** Wet bacteria were seen on it. */
  ooze?: boolean | undefined;
}

/** The tree, its findings and the site, as far as a cut is judged by them. */
export interface JudgedBy {
  tree: {
    limbs: Limb[];
    species: string;
    hazards: readonly Hazard[];
    leanDeg?: number | null;
    slopeDeg?: number | null;
    plantedYear: number | null;
    susceptible: boolean;
  };
  findings: readonly FindingAtCut[];
  /** What is asked for, by finding; those without one ask for no distance. */
  clearances: Readonly<Record<string, Pick<Clearance, 'clearanceCm'>>>;
  settings: { liftKg: number; kit: readonly Tool[]; shoulderCm?: number };
  season: Season;
  /** Of the day, for the age of the tree. */
  year: number;
}

export interface Handling {
  kerfMm: number;
  /** How many alike are cut so: 1, or about so many of a bundle. */
  alike: number;
  /** Over the ground, cm. */
  kerfHeightCm: number;
  /** Of all that comes off; of a bundle that of all its limbs. */
  massKg: number;
  massRangeKg: [number, number];
  massFromBaseAlone: boolean;
  pieces: Stick[];
  strokes: Strokes;
  fall: Fall;
  wielded: Wielded | null;
  /** The wood at the kerf is dead. */
  dead: boolean;
  cautions: Caution[];
  handOver: boolean;
}

export interface Left {
  findingId: string;
  /** From the kerf to the visible edge along the wood, cm; null where the wood is not cut. */
  distanceCm: number | null;
  chance: number;
  range: [number, number];
}

export interface Judgement {
  kerf: Kerf;
  handling: Handling;
  /** Of each finding whose visible edge comes off. */
  left: Left[];
  /** How far short of its clearance the cut falls, cm, by finding that asks for one; all of it where the edge itself stays on the tree. */
  shortfallCm: Record<string, number>;
  /** The wood met is diseased within reach of the blade: the blade is cleaned afterwards. */
  infected: boolean;
}

/** A kerf nearer to a diseased edge than this carries it on the blade. Common practice, no source. */
const INFECTED_WITHIN_CM = 10;

/** The kerf of a cut; where the bud is still to be found, the outermost place it may be. */
export function kerfOf({ limbId, atCm, upToCm }: Kerf & { upToCm?: number | undefined }): Kerf {
  return { limbId, atCm: upToCm ?? atCm };
}

/**
 * The one judgement of a cut, planned or made: every screen, sheet and record says of it what this says.
 *
 * @param cut where the saw goes; a stub keeps what is left in wood that comes off later
 * @throws {Error} where the limb is not on the tree
 * @example judgeCut({ limbId: 'A', atCm: 30, kind: 'heading' }, by).shortfallCm.canker //=> 0
 */
export function judgeCut(
  cut: Kerf & { upToCm?: number | undefined; kind?: string },
  by: JudgedBy,
  index: LimbIndex = indexLimbs(by.tree.limbs),
): Judgement {
  const kerf = kerfOf(cut);
  const limb = index.byId.get(kerf.limbId);
  if (!limb) throw new Error(`Limb ${kerf.limbId} is not on this tree.`);
  const left = leftBehind(kerf, cut.kind === 'stub', by, index);
  return {
    kerf,
    handling: handlingOf(limb, kerf, by),
    left,
    shortfallCm: shortfalls(left, by),
    infected: by.findings.some((finding) => meets(finding, kerf, left)),
  };
}

/** The worst shortfall among findings, cm. @example worstShortfallCm({ a: 0, b: 3 }, ['b']) //=> 3 */
export function worstShortfallCm(
  { shortfallCm }: Pick<Judgement, 'shortfallCm'>,
  ids: readonly string[],
): number {
  return Math.max(0, ...ids.map((id) => shortfallCm[id] ?? 0));
}

function handlingOf(limb: Limb, kerf: Kerf, { tree, settings, season, findings }: JudgedBy): Handling {
  const atCm = Math.min(kerf.atCm, limb.lengthCm);
  const load = loadIn(season);
  const mass = limbMass(tree.limbs, tree.species, kerf, load);
  const kerfMm = diameterMmAt(limb, atCm);
  const shape = limbShape(tree.limbs);
  const placed = shape.get(limb.id);
  const kerfHeightCm = placed ? pointAlong(placed, atCm / limb.lengthCm).z : 0;
  const dead = isDeadAt(kerf, findings);
  const upper = mass.kg > 0 ? Math.max(1, mass.rangeKg[1] / mass.kg) : 1;
  // No piece is heavier than one person lifts, at the upper end of its range
  const cutUp = pieces(tree.limbs, tree.species, kerf, load, settings.liftKg / upper);
  const many = alike(limb);
  const [fewest, most] = many > 1 ? COUNTED_WITHIN : [1, 1];
  const { cautions, wielded } = whoseCut({
    hazards: [...tree.hazards],
    leanDeg: tree.leanDeg ?? null,
    slopeDeg: tree.slopeDeg ?? null,
    shoulderCm: settings.shoulderCm ?? SHOULDER_CM,
    kerfHeightCm,
    kerfMm,
    farther: cutUp.slice(0, -1).flatMap((piece) => kerfOfPiece(piece, tree.limbs, shape) ?? []),
    dead,
    limbCm: limb.lengthCm - atCm,
    massKg: mass.rangeKg[1],
    kit: [...settings.kit],
  });
  return {
    kerfMm,
    alike: many,
    kerfHeightCm,
    massKg: mass.kg * many,
    massRangeKg: [mass.rangeKg[0] * many * fewest, mass.rangeKg[1] * many * most],
    massFromBaseAlone: mass.fromBaseAlone,
    pieces: cutUp,
    strokes: strokes(limb, atCm, mass.kg),
    fall: fall(limb, atCm, kerfHeightCm),
    wielded,
    dead,
    cautions,
    handOver: cautions.some((caution) => caution.kind === 'hand over'),
  };
}

/** A bundle is counted at a glance: so many of it there may be. Common practice, no source. */
export const COUNTED_WITHIN: readonly [number, number] = [0.7, 1.4];

/** Where the saw goes for a piece: how high over the ground, and how thick the wood is there. */
function kerfOfPiece(
  { limbId, fromCm }: Stick,
  limbs: readonly Limb[],
  shape: ReturnType<typeof limbShape>,
): { heightCm: number; kerfMm: number } | null {
  const limb = limbs.find((each) => each.id === limbId);
  const placed = shape.get(limbId);
  return limb && placed
    ? { heightCm: pointAlong(placed, fromCm / limb.lengthCm).z, kerfMm: diameterMmAt(limb, fromCm) }
    : null;
}

function isDeadAt({ limbId, atCm }: Kerf, findings: JudgedBy['findings']): boolean {
  return findings.some(
    (finding) =>
      finding.limbId === limbId && finding.fromCm <= atCm + 1 && kindOf(finding.disorder) === 'dead',
  );
}

/** The chance that infected wood stays behind, for every finding whose visible edge comes off. */
function leftBehind(kerf: Kerf, inStub: boolean, by: JudgedBy, index: LimbIndex): Left[] {
  return by.findings.flatMap((finding): Left[] => {
    const distanceCm = distanceTo(kerf, finding, index);
    if (distanceCm === null) return [];
    if (kindOf(finding.disorder) !== 'diseased')
      return [{ findingId: finding.id, distanceCm, chance: 0, range: [0, 0] }];
    const { chance, range } = residual({
      disorder: finding.disorder,
      season: by.season,
      edge: finding.edge,
      vigorous: isVigorous(finding, by),
      distanceCm,
      unionCrossed: crossesUnion(finding, kerf, index),
      inStub,
    });
    return [{ findingId: finding.id, distanceCm, chance, range }];
  });
}

function shortfalls(left: readonly Left[], { clearances }: JudgedBy): Judgement['shortfallCm'] {
  const distance = new Map(left.map(({ findingId, distanceCm }) => [findingId, distanceCm ?? 0]));
  return Object.fromEntries(
    Object.entries(clearances).map(([id, { clearanceCm }]) => [
      id,
      clearanceCm - Math.min(clearanceCm, distance.get(id) ?? 0),
    ]),
  );
}

/** Disease runs further in wood that grows fast: by its own growth, by the cultivar, or because the tree is young. */
export function isVigorous(
  finding: Pick<FindingAtCut, 'growthRapid'>,
  { tree, year }: { tree: Pick<JudgedBy['tree'], 'plantedYear' | 'susceptible'>; year: number },
): boolean {
  const age = treeAge(tree.plantedYear, year);
  const young = age !== null && age < YOUNG_BELOW_YEARS;
  return finding.growthRapid || tree.susceptible || young;
}

/** From the kerf to the visible edge of the finding along the wood, cm; null where that wood stays. */
function distanceTo(
  kerf: Kerf,
  finding: Pick<FindingAtCut, 'limbId' | 'fromCm'>,
  index: LimbIndex,
): number | null {
  let sum = 0;
  for (const { limbId, atCm } of wayToStool(index, finding.limbId, finding.fromCm)) {
    if (limbId === kerf.limbId) {
      return comesOff(atCm, kerf.atCm) ? sum + atCm - kerf.atCm : null;
    }
    sum += atCm;
  }
  return null;
}

/** Common practice, no source. */
const OLD_WOOD_YEARS = 2;

/** Does the way from edge to kerf pass a union in wood of two years or more? */
function crossesUnion(finding: FindingAtCut, kerf: Kerf, index: LimbIndex): boolean {
  for (const { limbId, atCm } of wayToStool(index, finding.limbId, finding.fromCm)) {
    const limb = index.byId.get(limbId) as Limb;
    const downTo = limbId === kerf.limbId ? kerf.atCm : 0;
    const passed = (index.childrenOf.get(limbId) ?? []).some(
      (child) =>
        child.jointCm < atCm && child.jointCm > downTo && ageYearsAt(limb, child.jointCm) >= OLD_WOOD_YEARS,
    );
    if (passed) return true;
    if (limbId === kerf.limbId) return false;
    if (ageYearsAt(limb, 0) >= OLD_WOOD_YEARS) return true;
  }
  return false;
}

/** Does the blade meet it? Ooze runs over all that it hangs on; dead wood may have died of anything. */
function meets(finding: FindingAtCut, kerf: Kerf, left: readonly Left[]): boolean {
  if (finding.healed) return false;
  const off = left.find((remaining) => remaining.findingId === finding.id);
  if (off && (finding.ooze || disorderOf(finding.disorder)?.causeUnknown)) return true;
  if (kindOf(finding.disorder) !== 'diseased') return false;
  if (off) return (off.distanceCm ?? Number.POSITIVE_INFINITY) < INFECTED_WITHIN_CM;
  // Wood that stays: the kerf lies beyond the edge, on the same limb and within the lesion's neighbourhood
  if (finding.limbId !== kerf.limbId) return false;
  return kerf.atCm >= finding.fromCm - INFECTED_WITHIN_CM && kerf.atCm <= finding.toCm + INFECTED_WITHIN_CM;
}
