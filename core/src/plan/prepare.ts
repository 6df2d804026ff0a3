// From a tree with its findings to a problem that can be solved: values, musts, forest of cuts, pins and limits.

import { type CrownMap, crownMap, type SeasonLimits, seasonLimits } from '../crown/index';
import { type TreeCuts, treeCuts } from '../cuts/index';
import { disorderOf, kindOf, type Season } from '../disorders/index';
import { treeAge } from '../register/index';
import type { TooTall } from '../shaping/index';
import { indexLimbs, isDistalOf, type Kerf, type LimbIndex, wayToStool } from '../tree/index';
import { askBearing, bearingOf } from './bearing';
import { type Candidate, candidatesOf, isDiseased } from './candidates';
import { askHeight, heightsHandedOver, heightsOf, lowersTo, standTooHigh, stemSteps } from './height';
import { type PlanFinding, type PlanInput, paceOf } from './input';
import { type KeepWorth, keepWorths } from './keepWorth';
import { evenLimits, leftOfLimits } from './pace';
import { type Asked, type InForest, nearestCut, type Parts } from './parts';
import type { Pass } from './passes';
import type { Pin } from './pin';
import { applyPins } from './pins';
import { answersIt, type Priced, priceOf } from './price';
import { ancestors, type PlanCandidate, type PlanProblem } from './problem';
import { quotasOf, thinQuota } from './quotas';
import { askRegrown, regrownOf } from './regrown';
import { askShoots, shootsOf } from './shoots';
import { askSides, type SideEffect, sideWork } from './sides';
import { askForm, formOf } from './trained';
import { trainingOf } from './training';
import type { LightOfPlan } from './treePlan';
import { askUprights, uprightsOf, uprightWorth } from './uprights';
import { verdictOf } from './verdict';
import type { Verdict } from './verdictShape';
import { startingWeights, type WeightKey } from './weights';
import { askLight } from './wholeTree';

export interface Prepared {
  /** As it was asked for. */
  given: PlanInput;
  /** The same, with what a young tree needs beside what was found. */
  input: PlanInput;
  cuts: TreeCuts;
  verdict: Verdict | null;
  /** All candidates, those that are work for an arborist too. */
  all: Priced[];
  /** What the search chooses from; the index is that of the problem’s candidates. */
  chosenFrom: Priced[];
  asked: Asked[];
  problem: PlanProblem;
  crown: CrownMap;
  limits: SeasonLimits;
  keep: KeepWorth[];
  /** Light in the inner third as the tree stands; null where the map shows no crown. */
  light: LightOfPlan | null;
  /** Pins that name what is not there any more. */
  idlePins: Pin[];
  heights: { tall: TooTall[] };
  sides: Parts['sides'] & {
    /** What each of `chosenFrom` alone does to them; empty for a tree that has no sides. */
    effects: SideEffect[];
  };
  /** Findings that only an arborist’s cut would answer, and limbs that only one would bring down far enough. */
  handOver: string[];
}

/** Which weight a fault of geometry goes by. */
const OF_FAULT: Readonly<Partial<Record<string, WeightKey>>> = {
  'narrow union': 'narrowUnion',
  'double leader': 'doubleLeader',
  rubbing: 'rubbing',
  'over another': 'overAnother',
  inward: 'inward',
  crossing: 'crossing',
  'out of plane': 'outOfPlane',
  cluster: 'cluster',
  'too low': 'tooLow',
  downward: 'downward',
  'flat union': 'flatUnion',
  'upright sprout': 'upright',
  sucker: 'sucker',
  'out of reach': 'outOfReach',
  'past bearing': 'pastBearing',
};
const OF_KIND = {
  diseased: 'inactiveDisease',
  dead: 'dead',
  damaged: 'damaged',
  misplaced: 'misplaced',
} as const;
const MORE_REASONS = 1.25;
const MOST_REASONS = 1.6;
const NEAR_TRUNK_CM = 30;

export function preparePlan(given: PlanInput): Prepared {
  const training = trainingOf(given);
  const input: PlanInput = { ...given, findings: [...given.findings, ...training.findings] };
  const { tree } = input;
  const index = indexLimbs(tree.limbs);
  const cuts = treeCuts(tree, input.findings, input.schools, input.season, input.year);
  const heights = heightsOf(input, cuts);
  const shoots = shootsOf(input);
  const sides = sideWork(input, cuts);
  const bearing = bearingOf(input, cuts);
  const upright = uprightsOf(input);
  const form = formOf(input);
  const candidates = candidatesOf(input, cuts, [
    ...training.candidates,
    ...heights.candidates,
    ...shoots.candidates,
    ...regrownOf(input),
    ...sides.candidates,
    ...bearing.candidates,
    ...upright.candidates,
    ...form.candidates,
  ]);
  const crown = crownOf(input, candidates);
  const all = candidates.map((candidate) => priceOf(candidate, input, cuts, index, crown));
  // An arborist’s cuts are planned only where a visit is booked that may hold them
  const doable = inForest(
    all.filter((priced) => !priced.handling?.handOver || input.booked.length > 0),
    index,
  );
  const handOver = [
    ...input.findings
      .filter(
        ({ id }) =>
          all.some((priced) => answersIt(priced, id)) && !doable.some(({ priced }) => answersIt(priced, id)),
      )
      .map((finding) => finding.id),
    ...heightsHandedOver(heights, index, all, doable),
  ];
  const limits = seasonLimits(
    {
      species: tree.species,
      ageYears: treeAge(tree.plantedYear, input.year),
      vigour: tree.vigour,
      renovated: tree.renovated,
      wild: tree.form === 'wild',
      stressed: tree.stressed,
      ownLimit: input.limit,
    },
    input.seasons,
    input.settings.limit,
    paceOf(input),
  );
  const keep = keepWorths(input, training.frame);
  const built = build(input, {
    doable,
    cuts,
    crown,
    limits,
    keep,
    index,
    training,
    heights,
    shoots,
    sides,
    bearing,
    upright,
    form,
  });
  const isSpread = limits.because.code === 'renovated evenly' && input.seasons > 1;
  if (isSpread) Object.assign(built.problem, { limits: evenLimits(built.problem, input.off.now) });
  built.problem.quotas.push(...thinQuota(input, { doable, heights, index }, built.problem));
  return {
    given,
    input,
    cuts,
    verdict: verdictOf(input, cuts, built.mustCrown),
    all,
    chosenFrom: doable.map(({ priced }) => priced),
    asked: built.asked,
    problem: built.problem,
    crown,
    limits,
    keep,
    heights,
    sides: { now: sides.now, effects: built.effects },
    light: built.light,
    idlePins: built.idlePins,
    handOver,
  };
}

function crownOf({ findings, tree }: PlanInput, candidates: Candidate[]): CrownMap {
  const dead = findings
    .filter(
      ({ disorder, healed, limbId }) =>
        (kindOf(disorder) === 'dead' && !healed && !isStem(limbId)) || disorderOf(disorder)?.hanging,
    )
    .map(({ limbId, fromCm }) => ({ limbId, fromCm }));
  const breaks = new Map<string, number[]>();
  for (const { what } of candidates) {
    if (what.is !== 'cut') continue;
    const at = what.cut.upToCm ?? what.cut.atCm;
    breaks.set(what.cut.limbId, [...(breaks.get(what.cut.limbId) ?? []), at]);
  }
  return crownMap(tree.limbs, dead, breaks, tree);

  function isStem(limbId: string): boolean {
    return tree.limbs.find((limb) => limb.id === limbId)?.kind === 'trunk';
  }
}

/** Cuts in an order in which what takes more stands before what it takes; then all that is no cut. */
function inForest(all: Priced[], index: LimbIndex): InForest[] {
  const cuts = all.filter((priced) => priced.kerf !== null);
  const takes = (a: Kerf, b: Kerf) => isDistalOf(index, b.limbId, b.atCm, a.limbId, a.atCm);
  const containers = new Map(
    cuts.map((cut) => [
      cut,
      cuts.filter(
        (other) =>
          other !== cut &&
          takes(other.kerf as Kerf, cut.kerf as Kerf) &&
          !takes(cut.kerf as Kerf, other.kerf as Kerf),
      ),
    ]),
  );
  const depth = (priced: Priced) => containers.get(priced)?.length ?? 0;
  const ordered = [
    ...cuts.toSorted((a, b) => depth(a) - depth(b)),
    ...all.filter((priced) => priced.kerf === null),
  ];
  return ordered.map((priced) => {
    const nearest = (containers.get(priced) ?? []).toSorted((a, b) => depth(b) - depth(a))[0];
    return { priced, parent: nearest ? ordered.indexOf(nearest) : null };
  });
}

interface Built {
  problem: PlanProblem;
  asked: Asked[];
  idlePins: Pin[];
  light: LightOfPlan | null;
  effects: SideEffect[];
  mustCrown: number;
}

function build(input: PlanInput, parts: Parts): Built {
  const { doable, cuts, limits, index } = parts;
  const slots = slotsFor(input.season, input.seasons, input.booked);
  const asked: Asked[] = [];
  const problems: PlanProblem['problems'] = [];
  const candidates: PlanCandidate[] = doable.map(({ priced, parent }) => ({
    id: priced.id,
    parent,
    isCut: priced.kerf !== null,
    own: { crown: 0, fruit: 0, exemptCrown: 0, exemptFruit: 0, keepWorth: 0 },
    minutes: priced.minutes.minutes * (priced.handling?.handOver ? input.settings.hiredMinute : 1),
    slots: slots.flatMap(({ pass }, t) => (passesOf(priced).includes(pass) ? [t] : [])),
    solves: [],
  }));
  const problem: PlanProblem = {
    slots,
    limits: leftOfLimits(limits.limits, input),
    quotas: [],
    candidates,
    problems,
    regrowth: input.settings.regrowth,
    excludes: [],
    required: [],
    after: [],
    costs: input.settings.costs,
    discount: input.settings.weights.discount,
  };
  const ask = (question: Asked): number => {
    asked.push(question);
    problems.push({ id: question.id, value: question.value, mustBy: null });
    return problems.length - 1;
  };
  const musts: { p: number; leaves: number[] }[] = [];
  for (const finding of input.findings) {
    const all = solversOf(finding, doable, cuts);
    if (all.length === 0) continue;
    const ofTraining = parts.training.worth.get(finding.id);
    const isTraining = ofTraining !== undefined;
    const must = parts.training.musts.has(finding.id) || isMust(finding, input, cuts, index);
    const p = ask({
      id: finding.id,
      findingId: isTraining ? null : finding.id,
      what: isTraining ? 'training' : 'finding',
      value: ofTraining ?? worthOfFinding(finding, input, parts),
      must,
    });
    const solvers = must ? all.filter(({ k }) => meetsMust(doable[k]?.priced)) : all;
    for (const { k, remains } of solvers) candidates[k]?.solves.push({ problem: p, remains });
    const leaves = solvers.map(({ k }) => k);
    if (must) musts.push({ p, leaves: leavesAmong(leaves, problem) });
  }
  const isExempt = giveOwn(problem, parts, musts);
  problem.quotas.push(...quotasOf(parts, problem, isExempt));
  for (const { p, leaves } of musts) {
    const first = Math.min(...leaves.flatMap((k) => candidates[k]?.slots ?? []));
    if (Number.isFinite(first)) (problems[p] as { mustBy: number | null }).mustBy = first;
  }
  askHeight(input, parts, problem, ask);
  askShoots(parts.shoots, parts, problem, ask);
  askRegrown(input, parts, problem, ask);
  askBearing(parts.bearing, input, parts, problem, ask);
  askUprights(parts.upright, input, parts, problem, ask);
  askForm(parts.form, input, parts, problem, ask);
  const effects = askSides(input, parts, problem, ask);
  const light = askLight(input, parts, problem, ask);
  excludeAlternatives(problem, doable, index);
  const idlePins = applyPins(problem, doable, input, index, input.pins);
  if (paceOf(input) !== 'hard first') stemSteps(parts, problem);
  const mustCrown = candidates.reduce((sum, { own }) => sum + own.exemptCrown, 0);
  return { problem, asked, idlePins, light, effects, mustCrown };
}

/** In which passes it may be done: the arborist’s cuts in a booked visit alone. */
export function passesOf({ candidate, handling }: Pick<Priced, 'candidate' | 'handling'>): readonly Pass[] {
  return handling?.handOver ? HIRED : candidate.passes;
}
const HIRED: readonly Pass[] = ['hired'];

/**
 * The passes that lie ahead, a growing season first where the dormant one is over.
 *
 * @param booked seasons in which an arborist comes
 */
export function slotsFor(now: Season, seasons: number, booked: readonly number[] = []): PlanProblem['slots'] {
  const all = Array.from({ length: seasons }, (_, y): PlanProblem['slots'] => [
    { season: y + 1, pass: 'dormant' },
    ...(booked.includes(y + 1) ? [{ season: y + 1, pass: 'hired' as const }] : []),
    { season: y + 1, pass: 'summer' },
  ]).flat();
  return now === 'bloom' || now === 'summer' ? all.slice(1) : all;
}

/** Cuts that take its wood and keep the clearance, whichever finding they were thought of for; and what else answers it. */
function solversOf(
  finding: PlanFinding,
  doable: InForest[],
  cuts: TreeCuts,
): { k: number; remains: number }[] {
  if (!doable.some(({ priced }) => answersIt(priced, finding.id))) return [];
  const shareOf = new Map<number, number>();
  const askedCm = cuts.clearances[finding.id]?.clearanceCm ?? 0;
  doable.forEach(({ priced }, k) => {
    const left = priced.left.find((entry) => entry.findingId === finding.id);
    if (answersIt(priced, finding.id)) shareOf.set(k, left?.chance ?? 0);
    else if (priced.kerf && left && isDiseased(finding) && (left.distanceCm ?? 0) >= askedCm - 1e-6)
      shareOf.set(k, left.chance);
    else if (priced.kerf && left && cuts.clearances[finding.id] && !isDiseased(finding)) shareOf.set(k, 0);
  });
  // Whatever takes the wood of a cut that solves it solves it too
  doable.forEach(({ parent }, k) => {
    const remains = shareOf.get(k);
    for (let at = remains === undefined ? null : parent; at !== null; at = doable[at]?.parent ?? null) {
      const left = doable[at]?.priced.left.find((entry) => entry.findingId === finding.id);
      shareOf.set(at, Math.min(shareOf.get(at) ?? 1, left?.chance ?? 0, remains ?? 1));
    }
  });
  return [...shareOf].map(([k, remains]) => ({ k, remains }));
}

/** Paring and leaving a strike keep no clearance: only the caretaker, who lifts the must, may be content with them. */
function meetsMust(priced: Priced | undefined): boolean {
  const what = priced?.candidate.what;
  return what?.is === 'cut' || what?.kind === 'pick mummies';
}

function leavesAmong(solvers: number[], problem: PlanProblem): number[] {
  const inner = new Set(solvers.flatMap((k) => ancestors(problem, k)));
  return solvers.filter((k) => !inner.has(k));
}

/** What is worth more, or less, while a renovation runs; a figure that the site has set itself stays. Common practice, no source. */
const RENOVATED: Partial<Record<WeightKey, number>> = {
  dead: 16,
  crossing: 10,
  rubbing: 10,
  inward: 9,
  overAnother: 8,
  narrowUnion: 6,
  doubleLeader: 6,
};
const START = startingWeights();

function worthOfFinding(
  finding: PlanFinding,
  { findings: all, settings, tree }: PlanInput,
  { crown, index }: Pick<Parts, 'crown' | 'index'>,
): number {
  const { weights } = settings;
  const key =
    finding.place === 'fruit'
      ? 'mummies'
      : finding.fault
        ? (OF_FAULT[finding.fault.kind] ?? 'misplaced')
        : OF_KIND[kindOf(finding.disorder)];
  const own = (tree.renovated && weights[key] === START[key] && RENOVATED[key]) || weights[key];
  const limb = index.byId.get(finding.limbId);
  const base = key === 'upright' && limb ? uprightWorth(limb, own, { settings }, { crown, index }) : own;
  const reasons = all.filter(
    (other) => other === finding || (other.limbId === finding.limbId && !other.healed && !other.held),
  ).length;
  return base * Math.min(MOST_REASONS, MORE_REASONS ** (reasons - 1));
}

/** Active disease, disease that threatens the trunk, what may come down on somebody, and mummies, which are picked always. */
function isMust(finding: PlanFinding, input: PlanInput, cuts: TreeCuts, index: LimbIndex): boolean {
  if (input.lifted.includes(finding.id)) return false;
  if (finding.place === 'fruit') return true;
  if (finding.danger) return true;
  if (!isDiseased(finding)) return false;
  if (finding.active || disorderOf(finding.disorder)?.active) return true;
  const reason = cuts.cuts.flatMap((cut) => cut.because).find(({ lesionId }) => lesionId === finding.id);
  if (!reason) return false;
  if (reason.target.on !== 'limb' || reason.target.limbId === null) return true;
  let toTrunk = 0;
  for (const { limbId, atCm } of wayToStool(index, reason.target.limbId, reason.target.atCm ?? 0)) {
    if (index.byId.get(limbId)?.kind === 'trunk') break;
    toTrunk += atCm;
  }
  return toTrunk <= NEAR_TRUNK_CM;
}

/**
 * Hands every piece of crown to the nearest cut that takes it, free of the limit where a must takes it at least.
 *
 * @returns whether the wood of a candidate’s own place is free
 */
function giveOwn(
  problem: PlanProblem,
  { doable, crown, keep, index, heights }: Parts,
  musts: { leaves: number[] }[],
): (k: number) => boolean {
  const { candidates } = problem;
  const leaves = new Set(musts.flatMap((must) => must.leaves));
  const nearest = (limbId: string, s: number) => nearestCut({ doable, index }, problem, limbId, s);
  const isExempt = (k: number) => leaves.has(k) || ancestors(problem, k).some((above) => leaves.has(above));
  for (const piece of crown.pieces) {
    const k = nearest(piece.limbId, (piece.fromCm + piece.toCm) / 2);
    const ownCost = candidates[k]?.own;
    if (!ownCost) continue;
    if (isExempt(k)) {
      ownCost.exemptCrown += piece.crown;
      ownCost.exemptFruit += piece.fruit;
    } else {
      ownCost.crown += piece.crown;
      ownCost.fruit += piece.fruit;
    }
  }
  const goesAnyway = standTooHigh(heights);
  for (const { limbId, worth } of keep) {
    if (goesAnyway.has(limbId)) continue;
    const limb = index.byId.get(limbId);
    // Brought down to a branch that takes over, a limb is not lost
    let k = limb ? nearest(limbId, limb.lengthCm / 2) : -1;
    while (k >= 0 && lowersTo((doable[k] as InForest).priced, limbId)) k = candidates[k]?.parent ?? -1;
    const ownCost = candidates[k]?.own;
    if (ownCost) ownCost.keepWorth += worth;
  }
  return isExempt;
}

/** What is no cut excludes the cuts thought of for the same finding; a reduction excludes cuts in the nearer half of the branch it keeps. */
function excludeAlternatives(problem: PlanProblem, doable: InForest[], { byId }: LimbIndex): void {
  doable.forEach(({ priced }, k) => {
    const { what, answers: own } = priced.candidate;
    doable.forEach(({ priced: other }, j) => {
      if (j === k) return;
      if (what.is === 'other') {
        const same = own.some(({ findingId }) => answersIt(other, findingId));
        if (same && (other.kerf !== null || j > k)) problem.excludes.push([k, j]);
        return;
      }
      const place = what.cut.because[0]?.place;
      if (place?.kind !== 'reduction' || other.kerf?.limbId !== place.toLimbId) return;
      const halfCm = (byId.get(place.toLimbId)?.lengthCm ?? 0) / 2;
      if (other.kerf.atCm < halfCm) problem.excludes.push([k, j]);
    });
  });
}
