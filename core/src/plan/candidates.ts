// What can be done about each finding: which cuts, and what else?
import { headingFraction } from '../crown/index';
import { type Cut, cutsFor, deadWoodOff, kerfMm, type Lesion, shapeCut, type TreeCuts } from '../cuts/index';
import { disorderOf, kindOf } from '../disorders/index';
import { speciesOf } from '../register/index';
import type { Lowers } from '../shaping/index';
import { type Limb, limbShape } from '../tree/index';
import { nearestOf } from './geometry';
import type { PlanFinding, PlanInput } from './input';
import type { OtherKind } from './otherKind';
import type { Pass } from './passes';

/** One thing that could be done. */
export interface Candidate {
  id: string;
  what: { is: 'cut'; cut: Cut } | { is: 'other'; kind: OtherKind; limbId: string; atCm: number };
  /** Findings it was thought of for, and what may remain of each where it is no cut. */
  answers: { findingId: string; remains: number }[];
  /** Passes in which it may be done. */
  passes: readonly Pass[];
  /** How far it brings a limb down that is too tall. */
  lowers?: Lowers;
}

const BOTH: readonly Pass[] = ['dormant', 'summer'];
const SUMMER: readonly Pass[] = ['summer'];

/** What is left to chance where it is not cut away. Common practice, no source. */
const REMAINS: Readonly<Record<OtherKind, number>> = {
  'tie down': 0.15,
  'tie over': 0.15,
  'thin the fruit': 0.6,
  'pick mummies': 0.1,
  excise: 0.35,
  'leave the strike': 0.4,
};
export const OTHER_MINUTES: Readonly<Record<OtherKind, number>> = {
  'tie down': 3,
  'tie over': 3,
  'thin the fruit': 6,
  'pick mummies': 2,
  excise: 8,
  'leave the strike': 0.5,
};
const TIED_UP_TO_MM = 45;
const TIED_UP_TO_YEARS = 6;
const EXCISED_BELOW = 0.3;
/** Of a cluster so many stay. Common practice, no source. */
const KEPT_OF_CLUSTER = 2;

/**
 * The same place is one candidate, whatever it was thought of for.
 *
 * @param shaping what could be done about sound wood
 */
export function candidatesOf(
  input: PlanInput,
  cuts: TreeCuts,
  shaping: readonly Candidate[] = [],
): Candidate[] {
  const found = new Map<string, Candidate>();
  const add = (candidate: Candidate) => {
    const had = found.get(candidate.id);
    if (!had) {
      found.set(candidate.id, candidate);
      return;
    }
    for (const answer of candidate.answers) {
      if (!had.answers.some((known) => known.findingId === answer.findingId)) had.answers.push(answer);
    }
    had.passes = had.passes.filter((pass) => candidate.passes.includes(pass));
    if (candidate.lowers) had.lowers = candidate.lowers;
    if (had.what.is === 'cut' && candidate.what.is === 'cut') joinCuts(had.what.cut, candidate.what.cut);
  };
  const lesions = lesionsOf(input, cuts);
  for (const finding of input.findings) {
    for (const candidate of forFinding(finding, input, lesions)) add(candidate);
  }
  for (const candidate of shaping) add(candidate);
  for (const candidate of found.values())
    if (isStructure(candidate, input))
      candidate.passes = candidate.passes.filter((pass) => pass === 'dormant');
  // A place that no pass is left for is no candidate
  return [...found.values()].filter((candidate) => candidate.passes.length > 0);
}

/** Stout sound wood is cut in winter, when its frame is seen; what is thin, and any of stone fruit, also in summer. Common practice, no source. */
const STOUT_FROM_MM = 25;

function isStructure(
  { id, what, passes }: Candidate,
  { tree: { limbs, species }, pins }: PlanInput,
): boolean {
  if (what.is !== 'cut' || !passes.includes('dormant') || speciesOf(species)?.fruit === 'stone') return false;
  // Whoever wants it sooner has said so
  if (pins.some((pin) => pin.kind === 'goes' && pin.candidateId === id)) return false;
  const { cut } = what;
  const isSound = cut.because.every(({ disorder }) => kindOf(disorder) === 'misplaced');
  return isSound && kerfMm(limbs, cut) >= STOUT_FROM_MM;
}

/** The findings that ask for a cut by the position rule, with their clearances. */
export function lesionsOf(input: PlanInput, cuts: TreeCuts): Lesion[] {
  return input.findings.flatMap(({ id, limbId, fromCm, toCm, disorder, edge }) => {
    const clearance = cuts.clearances[id];
    return clearance
      ? [{ id, limbId, fromCm, toCm, disorder, edge, clearanceCm: clearance.clearanceCm }]
      : [];
  });
}

function joinCuts(into: Cut, other: Cut): void {
  for (const reason of other.because) {
    if (into.because.some((known) => known.lesionId === reason.lesionId)) continue;
    into.because = [...into.because, reason];
    into.lesionIds = [...into.lesionIds, reason.lesionId];
  }
  if (other.upToCm === undefined) delete into.upToCm;
  else if (into.upToCm !== undefined) into.upToCm = Math.min(into.upToCm, other.upToCm);
  into.towardDeg ??= other.towardDeg;
  into.shortfallCm = Math.max(into.shortfallCm, other.shortfallCm);
}

/** Named by its place, so that a pin finds it again when the plan is solved anew. */
export function cutId(cut: Pick<Cut, 'limbId' | 'kind' | 'atCm' | 'upToCm'>): string {
  return `${cut.limbId} ${cut.kind} ${Math.round((cut.upToCm ?? cut.atCm) * 10) / 10}`;
}

function forFinding(finding: PlanFinding, input: PlanInput, lesions: Lesion[]): Candidate[] {
  if (finding.held || finding.healed) return [];
  const passes = disorderOf(finding.disorder)?.summerOnly ? SUMMER : BOTH;
  if (finding.place === 'fruit') return [other('pick mummies', finding, finding.limbId, BOTH)];
  const lesion = lesions.find((lesion) => lesion.id === finding.id);
  if (lesion) {
    const { limbs } = input.tree;
    const { finish, inSeasonStub } = input.schools;
    const all = cutsFor(
      { limbs, lesions, clearanceCm: 0, finish, inSeasonStub: inSeasonStub && input.season !== 'dormant' },
      lesion,
    );
    return [
      ...all.map((cut) => ofCut(cut, finding, passes)),
      ...deadOff(limbs, lesion, all, finding, passes),
      ...besideCutting(finding, input),
    ];
  }
  if (kindOf(finding.disorder) !== 'misplaced') return [];
  return ofShape(finding, input, passes);
}

/** Dead wood may come off alone, where the rule’s own cut would take living wood with it. */
function deadOff(
  limbs: Limb[],
  lesion: Lesion,
  all: Cut[],
  finding: PlanFinding,
  passes: readonly Pass[],
): Candidate[] {
  if (
    kindOf(finding.disorder) !== 'dead' ||
    all.some((cut) => cut.limbId === lesion.limbId && cut.atCm > lesion.fromCm - NEAR_EDGE_CM)
  )
    return [];
  const cut = deadWoodOff(limbs, lesion);
  return cut ? [ofCut(cut, finding, passes)] : [];
}
const NEAR_EDGE_CM = 8;

/** A cut as something that could be done about a finding, or about what the tree is brought to. */
export function ofCut(
  cut: Cut,
  { id: findingId }: Pick<PlanFinding, 'id'>,
  passes: readonly Pass[] = BOTH,
  remains = 0,
): Candidate {
  return {
    id: cutId(cut),
    what: { is: 'cut', cut: { ...cut, because: [...cut.because], lesionIds: [...cut.lesionIds] } },
    answers: [{ findingId, remains }],
    passes,
  };
}

function other(
  kind: OtherKind,
  finding: Pick<PlanFinding, 'id' | 'fromCm'>,
  limbId: string,
  passes: readonly Pass[] = BOTH,
): Candidate {
  return {
    id: `${limbId} ${kind}`,
    what: { is: 'other', kind, limbId, atCm: finding.fromCm },
    answers: [{ findingId: finding.id, remains: REMAINS[kind] }],
    passes,
  };
}

function besideCutting(finding: PlanFinding, { tree }: PlanInput): Candidate[] {
  const limb = tree.limbs.find((limb) => limb.id === finding.limbId);
  if (!limb) return [];
  const found: Candidate[] = [];
  const mayExcise =
    disorderOf(finding.disorder)?.pared === true && (finding.girdledShare ?? 1) < EXCISED_BELOW;
  if (mayExcise && limb.kind === 'scaffold') found.push(other('excise', finding, limb.id, SUMMER));
  if (disorderOf(finding.disorder)?.strike && tree.resistant)
    found.push(other('leave the strike', finding, limb.id));
  return found;
}

function ofShape(finding: PlanFinding, input: PlanInput, passes: readonly Pass[]): Candidate[] {
  const { tree, schools, settings } = input;
  const { limbs } = tree;
  const limb = limbs.find((limb) => limb.id === finding.limbId);
  if (!limb) return [];
  const youngTips = !(tree.habit === 'unknown' && limb.ageYears <= 2);
  // A limb past bearing makes room for a new one, which comes from the heel
  const finish = finding.fault?.kind === 'past bearing' ? 'heel' : schools.finish;
  const options = { findingId: finding.id, disorder: finding.disorder, finish, youngTips };
  const cut = (id: string, t: number | null): Candidate[] => {
    const shaped = shapeCut(limbs, id, t, options);
    return shaped ? [ofCut(shaped, finding, passes)] : [];
  };
  const { fault } = finding;
  if (!fault) return cut(limb.id, null);
  const [, second] = fault.limbIds;
  switch (fault.kind) {
    case 'rubbing':
    case 'crossing': {
      if (!second) return cut(limb.id, null);
      const [onFirst, onSecond] = nearestOf(limbs, limb.id, second);
      return [limb.id, second].flatMap((id, i) => [
        ...cut(id, null),
        ...cut(id, Math.max(0, ((i === 0 ? onFirst : onSecond) ?? 0) - CLEAR_OF_CONTACT_CM)),
      ]);
    }
    case 'over another': {
      const pair = second ? byHeight(limbs, limb.id, second) : [limb.id];
      const meant =
        settings.stackedPair === 'either'
          ? pair
          : settings.stackedPair === 'upper'
            ? pair.slice(-1)
            : pair.slice(0, 1);
      return meant.flatMap((id) => cut(id, null));
    }
    case 'double leader':
      return twin(limb, second, settings.twin, limbs, cut);
    case 'narrow union':
      return [...tie(limb, finding), ...cut(limb.id, null)];
    case 'flat union':
      return [
        ...cut(limb.id, null),
        ...cut(limb.id, tipAt(limb, tree.species)),
        other('thin the fruit', finding, limb.id, SUMMER),
      ];
    case 'too low':
    case 'downward':
    case 'inward':
    case 'out of reach':
      return [...cut(limb.id, null), ...(fault.atCm > 0 ? cut(limb.id, fault.atCm) : [])];
    case 'upright sprout': {
      const level = levelBranchAt(limb, limbs);
      return [...tie(limb, finding), ...cut(limb.id, null), ...(level === null ? [] : cut(limb.id, level))];
    }
    case 'cluster':
      return surplus(fault.limbIds, limbs).flatMap((id) => cut(id, null));
    case 'empty sector':
    case 'lopsided':
      return [];
    default:
      return cut(limb.id, null);
  }
}
const CLEAR_OF_CONTACT_CM = 6;

function tipAt(limb: Limb, species: string): number {
  return limb.lengthCm * (1 - headingFraction(species));
}

/** Is it thin and young enough to be bent? */
export function bends({ baseMm, ageYears }: Limb): boolean {
  return baseMm <= TIED_UP_TO_MM && ageYears <= TIED_UP_TO_YEARS;
}

function tie(limb: Limb, finding: PlanFinding): Candidate[] {
  return bends(limb) ? [other('tie down', finding, limb.id, BOTH)] : [];
}

/** A limb that is bent and tied, where no cut is made. */
export const ofTie = (
  kind: Extract<OtherKind, 'tie down' | 'tie over'>,
  limbId: string,
  findingId: string,
): Candidate => other(kind, { id: findingId, fromCm: 0 }, limbId);

const LEVEL_WITHIN_DEG = 30;

/** Upright wood may also end at its first side branch that lies near level, which goes on in its place. @returns where, cm along it; null where there is none */
export function levelBranchAt(limb: Limb, limbs: Limb[]): number | null {
  const level = limbs
    .filter(
      ({ parentId, inclinationDeg }) => parentId === limb.id && Math.abs(inclinationDeg) <= LEVEL_WITHIN_DEG,
    )
    .sort((a, b) => a.jointCm - b.jointCm)[0];
  return level ? beyondJoint(limb, level) : null;
}

/** Lower one first. */
function byHeight(limbs: Limb[], a: string, b: string): string[] {
  const shape = limbShape(limbs);
  const middle = (id: string) => {
    const stick = shape.get(id);
    return stick ? (stick.base.z + stick.tip.z) / 2 : 0;
  };
  return [a, b].sort((one, other) => middle(one) - middle(other));
}

function twin(
  limb: Limb,
  stemId: string | undefined,
  school: PlanInput['settings']['twin'],
  limbs: Limb[],
  cut: (id: string, t: number | null) => Candidate[],
): Candidate[] {
  const stem = limbs.find((limb) => limb.id === stemId);
  const wholeLimb = cut(limb.id, null);
  // The stem gives way to its twin by being lowered to it
  const lowered = stem ? cut(stem.id, beyondJoint(stem, limb)) : [];
  if (school === 'either' || lowered.length === 0) return [...wholeLimb, ...lowered];
  if (school === 'thinner') return wholeLimb;
  return limb.inclinationDeg > (stem?.inclinationDeg ?? 90) ? wholeLimb : lowered;
}
const KEPT_BEYOND_CM = 3.2;

/** Far enough out on a limb to keep a side branch whole, cm along it. */
function beyondJoint(limb: Limb, branch: Limb): number {
  return Math.min(limb.lengthCm, branch.jointCm + branch.baseMm / 20 + KEPT_BEYOND_CM);
}

/** What goes of a cluster: all but the two that are stoutest and lie flattest. */
export function surplus(limbIds: readonly string[], limbs: Limb[]): string[] {
  const faulty = limbs.filter((limb) => limbIds.includes(limb.id));
  const worth = (limb: Limb) => limb.baseMm - Math.max(0, limb.inclinationDeg - 45) / 5;
  return faulty
    .toSorted((a, b) => worth(b) - worth(a))
    .slice(KEPT_OF_CLUSTER)
    .map((limb) => limb.id);
}

export function isDiseased(finding: Pick<PlanFinding, 'disorder'>): boolean {
  return kindOf(finding.disorder) === 'diseased';
}
