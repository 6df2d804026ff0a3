// What does each candidate cost, and what does it leave behind?
import { type CrownMap, type Regrowth, regrowth } from '../crown/index';
import type { Cut } from '../cuts/index';
import { disorderOf, kindOf } from '../disorders/index';
import {
  type Caution,
  type CutMinutes,
  cautions,
  cutMinutes,
  type Fall,
  fall,
  limbMass,
  loadIn,
  pieces,
  type Stick,
  type Strokes,
  strokes,
  toolFor,
  type Wielded,
} from '../handling/index';
import { residual } from '../residual/index';
import {
  ageYearsAt,
  comesOff,
  diameterMmAt,
  isDistalOf,
  type Kerf,
  type Limb,
  type LimbIndex,
  limbShape,
  pointAlong,
  wayToStool,
} from '../tree/index';
import { type Candidate, isDiseased, OTHER_MINUTES } from './candidates';
import type { PlanFinding, PlanInput } from './input';

export interface Handling {
  kerfMm: number;
  /** Over the ground, cm. */
  kerfHeightCm: number;
  massKg: number;
  massRangeKg: [number, number];
  massFromBaseAlone: boolean;
  pieces: Stick[];
  strokes: Strokes;
  fall: Fall;
  wielded: Wielded | null;
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

export interface Priced {
  id: string;
  candidate: Candidate;
  /** Where the wood goes from; null for what is not a cut. */
  kerf: Kerf | null;
  /** Thousandths of the living crown beyond it, and the fruiting part of them. */
  crown: number;
  fruit: number;
  minutes: CutMinutes;
  handling: Handling | null;
  left: Left[];
  /** The wood met is diseased within reach of the blade: the blade is cleaned afterwards. */
  infected: boolean;
}

/** Was it thought of for this finding? */
export function answersIt({ candidate }: Priced, findingId: string): boolean {
  return candidate.answers.some((one) => one.findingId === findingId);
}

/** A kerf nearer to a diseased edge than this carries it on the blade. */
export const INFECTED_WITHIN_CM = 10;

/** The kerf of a cut; where the bud is still to be found, the outermost place it may be. */
export function kerfOf({ limbId, atCm, upToCm }: Pick<Cut, 'limbId' | 'atCm' | 'upToCm'>): Kerf {
  return { limbId, atCm: upToCm ?? atCm };
}

/** Handling, minutes and what is left behind of each finding whose wood it takes. Crown comes from the map of pieces. */
export function priced(candidate: Candidate, input: PlanInput, index: LimbIndex, crown: CrownMap): Priced {
  if (candidate.what.is === 'other') return pricedOther(candidate);
  const { cut } = candidate.what;
  const kerf = kerfOf(cut);
  const limb = index.byId.get(cut.limbId) as Limb;
  const handling = handlingOf(limb, kerf, input);
  const left = leftBehind(kerf, cut, input, index);
  const comesAway = (finding: PlanFinding) => left.some((one) => one.findingId === finding.id);
  const infected = input.findings.some(
    (finding) =>
      !finding.healed &&
      ((isDiseased(finding) && nearEdge(finding, kerf, index, left)) ||
        // Ooze runs over all that it hangs on; dead wood may have died of anything
        ((finding.ooze || disorderOf(finding.disorder)?.causeUnknown) && comesAway(finding))),
  );
  const beyond = crown.pieces.filter((piece) =>
    isDistalOf(index, piece.limbId, (piece.fromCm + piece.toCm) / 2, kerf.limbId, kerf.atCm),
  );
  return {
    id: candidate.id,
    candidate,
    kerf,
    crown: beyond.reduce((sum, piece) => sum + piece.crown, 0),
    fruit: beyond.reduce((sum, piece) => sum + piece.fruit, 0),
    minutes: cutMinutes({
      wielded: handling.wielded,
      kerfMm: handling.kerfMm,
      dead: isDeadAt(kerf, input.findings),
      pieces: handling.pieces.length,
      kg: handling.massKg,
      cleanSeconds: infected ? input.cleanSeconds : 0,
    }),
    handling,
    left,
    infected,
  };
}

function pricedOther(candidate: Candidate): Priced {
  const kind = candidate.what.is === 'other' ? candidate.what.kind : 'excise';
  const minutes = OTHER_MINUTES[kind];
  return {
    id: candidate.id,
    candidate,
    kerf: null,
    crown: 0,
    fruit: 0,
    minutes: { minutes, because: [{ what: 'by hand', minutes }] },
    handling: null,
    left: candidate.answers.map(({ findingId, remains }) => ({
      findingId,
      distanceCm: null,
      chance: remains,
      range: [remains / 2, Math.min(1, remains * 1.6)],
    })),
    infected: kind === 'excise',
  };
}

/** Weight, pieces, tool and cautions of a cut at this place. */
export function handlingOf(
  limb: Limb,
  kerf: Kerf,
  { tree, settings, season, findings }: HandlingInput,
): Handling {
  const atCm = Math.min(kerf.atCm, limb.lengthCm);
  const load = loadIn(season);
  const mass = limbMass(tree.limbs, tree.species, kerf, load);
  const kerfMm = diameterMmAt(limb, atCm);
  const placed = limbShape(tree.limbs).get(limb.id);
  const kerfHeightCm = placed ? pointAlong(placed, atCm / limb.lengthCm).z : 0;
  const said = cautions({
    hazards: tree.hazards,
    treeHeightCm: tree.heightCm,
    kerfHeightCm,
    kerfMm,
    massKg: mass.rangeKg[1],
  });
  return {
    kerfMm,
    kerfHeightCm,
    massKg: mass.kg,
    massRangeKg: mass.rangeKg,
    massFromBaseAlone: mass.fromBaseAlone,
    pieces: pieces(tree.limbs, tree.species, kerf, load, settings.liftKg),
    strokes: strokes(limb, atCm, mass.kg),
    fall: fall(limb, atCm, kerfHeightCm),
    wielded: toolFor(settings.kit, { kerfMm, heightCm: kerfHeightCm, dead: isDeadAt(kerf, findings) }),
    cautions: said,
    handOver: said.some((one) => one.kind === 'hand over'),
  };
}
export type HandlingInput = Pick<PlanInput, 'season'> & {
  tree: Pick<PlanInput['tree'], 'limbs' | 'species' | 'hazards' | 'heightCm'>;
  settings: Pick<PlanInput['settings'], 'liftKg' | 'kit'>;
  findings: readonly Pick<PlanFinding, 'limbId' | 'fromCm' | 'disorder'>[];
};

function isDeadAt({ limbId, atCm }: Kerf, findings: HandlingInput['findings']): boolean {
  return findings.some(
    (finding) =>
      finding.limbId === limbId && finding.fromCm <= atCm + 1 && kindOf(finding.disorder) === 'dead',
  );
}

/** The chance that infected wood stays behind, for every finding whose visible edge comes off. */
function leftBehind(kerf: Kerf, cut: Cut, input: PlanInput, index: LimbIndex): Left[] {
  return input.findings.flatMap((finding): Left[] => {
    const distanceCm = distanceTo(kerf, finding, index);
    if (distanceCm === null) return [];
    if (!isDiseased(finding)) return [{ findingId: finding.id, distanceCm, chance: 0, range: [0, 0] }];
    const said = residual({
      disorder: finding.disorder,
      season: input.season,
      edge: finding.edge,
      vigorous: isVigorous(finding, input),
      distanceCm,
      unionCrossed: crossesUnion(finding, kerf, index),
      inStub: cut.kind === 'stub',
    });
    return [{ findingId: finding.id, distanceCm, chance: said.chance, range: said.range }];
  });
}

const YOUNG_BELOW_YEARS = 8;
export function isVigorous(
  finding: Pick<PlanFinding, 'growthRapid'>,
  { tree, year }: Pick<PlanInput, 'tree' | 'year'>,
): boolean {
  const young = tree.plantedYear !== null && year - tree.plantedYear < YOUNG_BELOW_YEARS;
  return finding.growthRapid || tree.susceptible || young;
}

/** From the kerf to the visible edge of the finding along the wood, cm; null where that wood stays. */
export function distanceTo(
  kerf: Kerf,
  finding: Pick<PlanFinding, 'limbId' | 'fromCm'>,
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

/**
 * How far short of its clearance the worst of these edges was cut, cm; all of the clearance where the edge itself is still on the tree.
 *
 * @param kerf where the saw really went
 * @param asked the visible edge of each finding that the cut is to answer, with the clearance asked for
 * @example shortfallOf({ limbId: 'L', atCm: 30 }, [{ limbId: 'L', fromCm: 25, clearanceCm: 20 }], index) //=> 20
 */
export function shortfallOf(
  kerf: Kerf,
  asked: readonly { limbId: string; fromCm: number; clearanceCm: number }[],
  index: LimbIndex,
): number {
  return Math.max(
    0,
    ...asked.map((edge) => edge.clearanceCm - Math.min(edge.clearanceCm, distanceTo(kerf, edge, index) ?? 0)),
  );
}

const OLD_WOOD_YEARS = 2;

/** Does the way from edge to kerf pass a union in wood of two years or more? */
function crossesUnion(finding: PlanFinding, kerf: Kerf, index: LimbIndex): boolean {
  for (const { limbId, atCm } of wayToStool(index, finding.limbId, finding.fromCm)) {
    const limb = index.byId.get(limbId) as Limb;
    const downTo = limbId === kerf.limbId ? kerf.atCm : 0;
    const own = (index.childrenOf.get(limbId) ?? []).some(
      (child) =>
        child.jointCm < atCm && child.jointCm > downTo && ageYearsAt(limb, child.jointCm) >= OLD_WOOD_YEARS,
    );
    if (own) return true;
    if (limbId === kerf.limbId) return false;
    if (ageYearsAt(limb, 0) >= OLD_WOOD_YEARS) return true;
  }
  return false;
}

function nearEdge(finding: PlanFinding, kerf: Kerf, index: LimbIndex, left: Left[]): boolean {
  const off = left.find((one) => one.findingId === finding.id);
  if (off) return (off.distanceCm ?? Number.POSITIVE_INFINITY) < INFECTED_WITHIN_CM;
  // Wood that stays: the kerf lies beyond the edge, on the same limb and within the lesion's neighbourhood
  if (finding.limbId !== kerf.limbId || !index.byId.has(finding.limbId)) return false;
  return kerf.atCm >= finding.fromCm - INFECTED_WITHIN_CM && kerf.atCm <= finding.toCm + INFECTED_WITHIN_CM;
}

/** What the tree answers a cut with, by the pass it is made in. */
export function regrowthOf(
  { candidate, handling }: Priced,
  pass: 'dormant' | 'summer',
  seasonShare: number,
): Regrowth | null {
  if (candidate.what.is !== 'cut' || !handling) return null;
  return regrowth({ kind: candidate.what.cut.kind, kerfMm: handling.kerfMm, pass, seasonShare });
}
