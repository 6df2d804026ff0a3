// Where does the cut fall, and why?

import { kindOf } from '../disorders/index';
import {
  ageYearsAt,
  diameterMmAt,
  indexLimbs,
  isLeader,
  isTrunk,
  type Limb,
  type LimbIndex,
  type Walk,
  walkTowardStool,
  wayToStool,
} from '../tree/index';
import { combined } from './combined';
import type {
  Cut,
  CutPositionInput,
  CutPositionResult,
  Decision,
  Finish,
  Lesion,
  Place,
  Reason,
} from './model';
import {
  headingAtOrBelow,
  maybeHeaded,
  reductionAtOrBelow,
  reductionTo,
  takesOver,
  tidy,
  unsoundLimbs,
} from './places';

/** A bare stub stands this far beyond the union, at least and at most. @source Steiner 1990, Acta Hort. 273:139 */
const STUB_LEAST_CM = 10;
const STUB_CM = 13;
const STUB_WOOD_YEARS = 2;

/**
 * One cut for every lesion, equal cuts merged, cuts on wood that another cut takes marked as swallowed.
 * The kerf never lies distal of the target unless `shortfallCm` says by how much; trunk wood gives a decision instead of a cut.
 *
 * @param input a sound limb map and lesions on it, parsed by `CutPositionInput`; cm and mm
 * @returns cuts in the order of their first lesion, with the reason for each lesion, and the decisions
 * @throws {UnknownLimb} when a lesion names a limb that is not in the map
 * @source the cut position rule, docs/methods/cut-position.md
 * @example cutPosition({ limbs, lesions: [{ id: 'a', limbId: 'L', fromCm: 80, … }], clearanceCm: 30 }).cuts[0].atCm //=> 41.6
 */
export function cutPosition(input: CutPositionInput): CutPositionResult {
  const index = indexLimbs(input.limbs);
  const unsound = unsoundLimbs(index, openLesions(input));
  const cuts: Cut[] = [];
  const decisions: Decision[] = [];
  for (const lesion of input.lesions) {
    const answer = answerLesion(index, unsound, lesion, lesion.clearanceCm ?? input.clearanceCm, input);
    if ('wood' in answer) decisions.push(answer);
    else cuts.push(answer);
  }
  return { cuts: combined(index, cuts), decisions };
}

function openLesions({ lesions, alsoOpen = [] }: CutPositionInput): Lesion[] {
  return [...lesions, ...alsoOpen];
}

interface Options {
  finish?: Finish | undefined;
  inSeasonStub?: boolean | undefined;
}

function answerLesion(
  index: LimbIndex,
  unsound: Set<string>,
  lesion: Lesion,
  clearanceCm: number,
  options: Options,
): Cut | Decision {
  const walk = walkTowardStool(index, lesion.limbId, lesion.fromCm, clearanceCm);
  const limb = index.byId.get(lesion.limbId) as Limb;
  const onLeader = isLeader(index, limb, lesion.fromCm);
  if (isTrunk(index, limb, lesion.fromCm) || (onLeader && walk.end.on === 'trunk')) {
    return decision(index, limb, lesion, clearanceCm);
  }
  const stub = options.inSeasonStub && kindOf(lesion.disorder) === 'diseased' ? stubPlace(index, walk) : null;
  if (stub) return cutAt(lesion, clearanceCm, walk, index, { place: stub, passedOver: [] });
  if (onLeader) return leaderAnswer(index, unsound, lesion, clearanceCm, walk, limb);
  const end = walk.end;
  const target = end.on === 'limb' ? (index.byId.get(end.limbId) as Limb) : null;
  if (end.on === 'trunk' || target?.kind === 'trunk')
    return collarAboveTheTrunk(index, unsound, lesion, clearanceCm, walk, options);
  return cutAt(
    lesion,
    clearanceCm,
    walk,
    index,
    placeOnLimb(index, unsound, lesion, target as Limb, end.atCm, options.finish),
  );
}

interface Found {
  place: Place;
  passedOver: Reason['passedOver'];
  upToCm?: number;
  alternatives?: Place[];
  choices?: Reason['choices'];
}

/** The most distal of reduction, heading and collar at or below t. Where buds are unmapped the answer is a range up to t. */
function placeOnLimb(
  index: LimbIndex,
  unsound: Set<string>,
  lesion: Lesion,
  limb: Limb,
  t: number,
  finish?: Finish,
): Found {
  const reduction = reductionAtOrBelow(index, limb, t, unsound);
  const heading = headingAtOrBelow(index, limb, t);
  const passedOver = [...reduction.passedOver, ...heading.passedOver].sort((a, b) => b.atCm - a.atCm);
  const collar: Place = { kind: 'collar', limbId: limb.id, atCm: 0, finish: finishFor(lesion, finish) };
  const place = mostDistal(reduction.place, heading.place) ?? collar;
  const unmapped =
    place.kind !== 'heading' && limb.budsComplete !== true && t > place.atCm && maybeHeaded(limb, t);
  return unmapped ? { place, passedOver, upToCm: t } : { place, passedOver };
}

function mostDistal(a: Place | null, b: Place | null): Place | null {
  if (!a || !b) return a ?? b;
  return b.atCm > a.atCm ? b : a;
}

/** A stub is for dead wood: die-back then cannot reach the parent. */
function finishFor(lesion: Lesion, finish: Finish = 'tight'): Finish {
  return finish === 'stub' && kindOf(lesion.disorder) !== 'dead' ? 'tight' : finish;
}

/** A lesion on the leader: lowered to a side branch, or headed where it is thin; else a decision. */
function leaderAnswer(
  index: LimbIndex,
  unsound: Set<string>,
  lesion: Lesion,
  clearanceCm: number,
  walk: Walk,
  stem: Limb,
): Cut | Decision {
  const t = walk.end.on === 'limb' ? walk.end.atCm : 0;
  const reduction = reductionAtOrBelow(index, stem, t, unsound);
  const heading = headingAtOrBelow(index, stem, t);
  const place = mostDistal(reduction.place, heading.place);
  const upToCm =
    stem.budsComplete !== true && place?.kind !== 'heading' && maybeHeaded(stem, t) ? t : undefined;
  if (!place)
    return { ...decision(index, stem, lesion, clearanceCm), ...(upToCm !== undefined && { upToCm }) };
  return cutAt(lesion, clearanceCm, walk, index, {
    place,
    passedOver: [...reduction.passedOver, ...heading.passedOver],
    ...(upToCm !== undefined && { upToCm }),
  });
}

/** The walk left its limb for trunk or leader: the collar of the limb it came down, with what is missing and the other choices. */
function collarAboveTheTrunk(
  index: LimbIndex,
  unsound: Set<string>,
  lesion: Lesion,
  clearanceCm: number,
  walk: Walk,
  options: Options,
): Cut {
  const onLimbs = walk.stretches.filter((stretch) => index.byId.get(stretch.limbId)?.kind !== 'trunk');
  const last = onLimbs[onLimbs.length - 1] as { limbId: string };
  const lowered = loweredLeader(index, unsound, walk);
  return cutAt(lesion, clearanceCm, walk, index, {
    place: { kind: 'collar', limbId: last.limbId, atCm: 0, finish: finishFor(lesion, options.finish) },
    passedOver: [],
    alternatives: lowered ? [lowered] : [],
    choices: lowered
      ? ['excise', 'watch', 'remove tree', 'lower the leader']
      : ['excise', 'watch', 'remove tree'],
  });
}

function loweredLeader(index: LimbIndex, unsound: Set<string>, walk: Walk): Place | null {
  if (walk.end.on !== 'limb') return null;
  const stem = index.byId.get(walk.end.limbId) as Limb;
  return reductionAtOrBelow(index, stem, walk.end.atCm, unsound).place;
}

/** In-season stub: the most distal union u in wood of two years or more with u + 10 ≤ target, cut at min(u + 13, target). */
function stubPlace(index: LimbIndex, walk: Walk): Place | null {
  if (walk.end.on !== 'limb') return null;
  let limb = index.byId.get(walk.end.limbId);
  // Where t lies on the limb looked at; on a parent it is counted on past the joint.
  let t = walk.end.atCm;
  // Limbs passed on the way, the one looked at last.
  const passed: Limb[] = [];
  while (limb && !isTrunk(index, limb, 0)) {
    if (limb.kind === 'trunk') return null;
    const here: Limb = limb;
    const unions = [...(index.childrenOf.get(here.id) ?? []).map((child) => child.jointCm), 0]
      .filter((u) => u + STUB_LEAST_CM <= t && ageYearsAt(here, u) >= STUB_WOOD_YEARS)
      .sort((a, b) => b - a);
    const unionCm = unions[0];
    if (unionCm !== undefined) {
      const kerf = alongTheWay(passed, here, Math.min(unionCm + STUB_CM, t));
      return { kind: 'stub', limbId: kerf.limb.id, atCm: tidy(kerf.atCm), unionLimbId: here.id, unionCm };
    }
    passed.push(here);
    t += here.jointCm;
    limb = here.parentId === null ? undefined : index.byId.get(here.parentId);
  }
  return null;
}

/** A place counted on past the joints lies on the outermost limb that it reaches onto. */
function alongTheWay(passed: Limb[], base: Limb, countedCm: number): { limb: Limb; atCm: number } {
  let on = { limb: base, atCm: countedCm };
  for (const limb of passed.toReversed()) {
    if (on.atCm <= limb.jointCm) break;
    on = { limb, atCm: on.atCm - limb.jointCm };
  }
  return on;
}

function decision(index: LimbIndex, limb: Limb, lesion: Lesion, clearanceCm: number): Decision {
  const rootstock = limb.graftUnionCm !== undefined && lesion.fromCm < limb.graftUnionCm;
  const trunk = isTrunk(index, limb, lesion.fromCm);
  return {
    lesionId: lesion.id,
    limbId: limb.id,
    wood: rootstock ? 'rootstock' : trunk ? 'trunk' : 'leader',
    clearanceCm,
    choices: trunk
      ? ['excise', 'bridge', 'watch', 'remove tree']
      : ['excise', 'watch', 'lower the leader', 'remove tree'],
  };
}

function cutAt(lesion: Lesion, clearanceCm: number, walk: Walk, index: LimbIndex, found: Found): Cut {
  const end = walk.end;
  const targetLimb = end.on === 'limb' ? index.byId.get(end.limbId) : undefined;
  const target =
    end.on === 'limb'
      ? {
          on: targetLimb?.kind === 'trunk' ? ('leader' as const) : ('limb' as const),
          limbId: end.limbId,
          atCm: tidy(end.atCm),
        }
      : { on: 'trunk' as const, limbId: end.stemId, atCm: null };
  const reachedCm = tidy(distanceAlong(index, lesion, found.place));
  const shortfallCm = Math.max(0, tidy(clearanceCm - reachedCm));
  const reason: Reason = {
    lesionId: lesion.id,
    disorder: lesion.disorder,
    edgeLimbId: lesion.limbId,
    edgeCm: lesion.fromCm,
    clearanceCm,
    walk: walk.stretches,
    target,
    place: found.place,
    reachedCm,
    shortfallCm,
    passedOver: found.passedOver,
    alternatives: found.alternatives ?? [],
    choices: shortfallCm > 0 ? (found.choices ?? []) : [],
  };
  return {
    limbId: found.place.limbId,
    atCm: found.place.atCm,
    ...(found.upToCm !== undefined && { upToCm: tidy(found.upToCm) }),
    kind: found.place.kind,
    targetLimbId: target.limbId,
    targetCm: target.atCm,
    shortfallCm,
    lesionIds: [lesion.id],
    swallowedBy: null,
    because: [reason],
  };
}

/**
 * All cuts that answer one lesion, from the outside in: the rule's own, then every place farther in on the same limb, then the collar
 * of each limb that it hangs on. Trunk and leader are never among them. Empty where the lesion asks for a decision.
 *
 * @param input as for `cutPosition`
 */
export function cutsFor(input: CutPositionInput, lesion: Lesion): Cut[] {
  const index = indexLimbs(input.limbs);
  const unsound = unsoundLimbs(index, openLesions(input));
  const clearanceCm = lesion.clearanceCm ?? input.clearanceCm;
  const first = answerLesion(index, unsound, lesion, clearanceCm, input);
  if ('wood' in first) return [];
  const walk = walkTowardStool(index, lesion.limbId, lesion.fromCm, clearanceCm);
  const at = (place: Place) => cutAt(lesion, clearanceCm, walk, index, { place, passedOver: [] });
  const found: Cut[] = [first];
  const add = (place: Place | null) => {
    if (place && !found.some((cut) => cut.limbId === place.limbId && cut.atCm <= place.atCm + 1e-9))
      found.push(at(place));
  };
  let limb = index.byId.get(first.limbId);
  let t = first.atCm;
  while (limb && limb.kind !== 'trunk') {
    const here: Limb = limb;
    add(reductionAtOrBelow(index, here, t - 1, unsound).place);
    add({ kind: 'collar', limbId: here.id, atCm: 0, finish: finishFor(lesion, input.finish) });
    t = here.jointCm;
    limb = here.parentId === null ? undefined : index.byId.get(here.parentId);
  }
  return found;
}

/**
 * Dead wood alone comes off, at the first green bark, where the rule would take living wood with it: the end that is left is a short
 * stub that dies back no farther than it is dead. null on a stem and where nothing is left of the limb.
 */
export function deadWoodOff(limbs: Limb[], lesion: Lesion): Cut | null {
  const index = indexLimbs(limbs);
  const limb = index.byId.get(lesion.limbId);
  if (!limb || limb.kind === 'trunk' || lesion.fromCm <= 0) return null;
  const unionCm = Math.max(
    0,
    ...(index.childrenOf.get(limb.id) ?? [])
      .map((child) => child.jointCm)
      .filter((joint) => joint < lesion.fromCm),
  );
  const walk: Walk = { stretches: [], end: { on: 'limb', limbId: limb.id, atCm: lesion.fromCm } };
  const place: Place = {
    kind: 'stub',
    limbId: limb.id,
    atCm: tidy(lesion.fromCm),
    unionLimbId: limb.id,
    unionCm,
  };
  return cutAt(lesion, 0, walk, index, { place, passedOver: [] });
}

/**
 * A cut for wood that is sound but stands in the wrong place: at the collar, or the most distal place at or below t.
 *
 * @param t cm along the limb; null for the whole limb
 * @param youngTips false: shoots of a year or two are not shortened, as where nobody knows on what the tree bears
 * @param stool a stem may go whole too, close to the ground, where another one stands
 * @returns null where t leaves only the collar, or the limb is a stem that has to stay
 */
export function shapeCut(
  limbs: Limb[],
  limbId: string,
  t: number | null,
  {
    findingId,
    disorder,
    finish = 'tight',
    youngTips = true,
    stool = false,
  }: {
    findingId: string;
    disorder: string;
    finish?: Finish | undefined;
    youngTips?: boolean;
    stool?: boolean;
  },
): Cut | null {
  const index = indexLimbs(limbs);
  const limb = index.byId.get(limbId);
  if (!limb) return null;
  const isLastStem = !limbs.some(({ id, kind }) => kind === 'trunk' && id !== limbId);
  if (limb.kind === 'trunk' && t === null && (!stool || isLastStem)) return null;
  const lesion: Lesion = { id: findingId, limbId, fromCm: t ?? 0, toCm: t ?? 0, disorder, edge: 'definite' };
  const walk: Walk = { stretches: [], end: { on: 'limb', limbId, atCm: t ?? 0 } };
  if (t === null) {
    const place: Place = { kind: 'collar', limbId, atCm: 0, finish: finishFor(lesion, finish) };
    return cutAt(lesion, 0, walk, index, { place, passedOver: [] });
  }
  const unsound = new Set<string>();
  const reduction = reductionAtOrBelow(index, limb, t, unsound).place;
  const mayHead = youngTips && !isTrunk(index, limb, t);
  const heading = mayHead ? headingAtOrBelow(index, limb, t).place : null;
  const place = mostDistal(reduction, heading);
  const upToCm = mayHead && limb.budsComplete !== true && !heading && maybeHeaded(limb, t) ? t : undefined;
  if (upToCm !== undefined) {
    const fallback: Place = place ?? { kind: 'collar', limbId, atCm: 0, finish: 'tight' };
    return cutAt(lesion, 0, walk, index, { place: fallback, passedOver: [], upToCm });
  }
  return place ? cutAt(lesion, 0, walk, index, { place, passedOver: [] }) : null;
}

/** A side branch that could go on in the place of the limb beyond it, and the cut that would let it. */
export interface Heir {
  cut: Cut;
  branch: Limb;
  jointCm: number;
  /** Thickness of the branch by that of the limb at its joint. */
  ratio: number;
  /** Stout enough by the rule of reductions. */
  stout: boolean;
}

/**
 * The sound side branches of a limb that a reduction could be made to, from the base out.
 *
 * @param lesions open findings: what is ill, dead or broken does not take over
 */
export function heirsOf(
  limbs: Limb[],
  limbId: string,
  lesions: Lesion[],
  { findingId, disorder }: { findingId: string; disorder: string },
): Heir[] {
  const index = indexLimbs(limbs);
  const limb = index.byId.get(limbId);
  if (!limb) return [];
  const unsound = unsoundLimbs(index, lesions);
  return (index.childrenOf.get(limbId) ?? [])
    .filter(({ id }) => !unsound.has(id))
    .toSorted((a, b) => a.jointCm - b.jointCm)
    .flatMap((branch): Heir[] => {
      const place = reductionTo(index, limb, branch);
      if (!place) return [];
      const { atCm, jointCm } = place;
      const lesion: Lesion = { id: findingId, limbId, fromCm: atCm, toCm: atCm, disorder, edge: 'definite' };
      const walk: Walk = { stretches: [], end: { on: 'limb', limbId, atCm } };
      const cut = cutAt(lesion, 0, walk, index, { place, passedOver: [] });
      return [{ cut, branch, jointCm, ratio: place.branchMm / place.limbMm, stout: takesOver(place) }];
    });
}

/** From the lesion's edge down the wood to the kerf, cm. */
function distanceAlong(index: LimbIndex, lesion: Lesion, place: Place): number {
  let sum = 0;
  for (const { limbId, atCm } of wayToStool(index, lesion.limbId, lesion.fromCm)) {
    if (limbId === place.limbId) return sum + atCm - place.atCm;
    sum += atCm;
  }
  return sum;
}

/** Diameter of the wood at the kerf, mm: what the blade must take. */
export function kerfMm(limbs: Limb[], cut: { limbId: string; atCm: number }): number {
  const limb = limbs.find((limb) => limb.id === cut.limbId);
  return limb ? diameterMmAt(limb, Math.min(cut.atCm, limb.lengthCm)) : 0;
}
