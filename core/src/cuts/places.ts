// Which places on this limb may a cut fall at, looking from the target toward the base?
import { kindOf } from '../disorders/index';
import {
  ageYearsAt,
  type Bud,
  diameterMmAt,
  isTrunk,
  type Limb,
  type LimbIndex,
  limbWithAll,
} from '../tree/index';
import type { Lesion, PassedOver, Place } from './model';

/** Reduction: a third of the limb (½ where the limb is thick). @source ANSI A300 / BS 3998; the half remembered, unsure */
const THIRD = 1 / 3;
const HALF = 1 / 2;
const THICK_MM = 50;
/** Live wood kept beyond a side branch that is to live: less on slender wood, which dries back less. Common practice, no source. */
const KEPT_BEYOND_BRANCH_CM = 2.5;
const KEPT_BEYOND_SLENDER_CM = 0.6;
const SLENDER_MM = 25;
/** A quarter of an inch above the bud. Common practice. */
const ABOVE_BUD_CM = 0.6;
const HEADING_THICKEST_MM = 25;
const HEADING_OLDEST_YEARS = 2;
const BUDS_STAND_TOGETHER_CM = 3;
// The last binary digit must not decide between two places.
const HAIR_CM = 1e-9;

export interface Choice<P extends Place> {
  place: P | null;
  passedOver: PassedOver[];
}
export type Reduction = Extract<Place, { kind: 'reduction' }>;
type Heading = Extract<Place, { kind: 'heading' }>;

/**
 * Ids of limbs that cannot take over, judged branch by branch: dead or broken from their nearer half on, standing on wood that is dead or
 * broken, or with an open disease finding on them or on what they carry. Branches nearer the trunk than a dead end are sound.
 */
export function unsoundLimbs(index: LimbIndex, lesions: Lesion[]): Set<string> {
  const unsound = new Set<string>();
  for (const lesion of lesions) {
    const limb = index.byId.get(lesion.limbId);
    if (!limb) continue;
    if (kindOf(lesion.disorder) === 'diseased') {
      for (
        let at: Limb | undefined = limb;
        at;
        at = at.parentId === null ? undefined : index.byId.get(at.parentId)
      ) {
        unsound.add(at.id);
      }
    } else {
      if (lesion.fromCm < limb.lengthCm / 2) unsound.add(limb.id);
      for (const child of index.childrenOf.get(limb.id) ?? [])
        if (child.jointCm >= lesion.fromCm)
          for (const gone of limbWithAll(index, child)) unsound.add(gone.id);
    }
  }
  return unsound;
}

/** The most distal reduction to a sound, stout enough side branch with its kerf at or below t. */
export function reductionAtOrBelow(
  index: LimbIndex,
  limb: Limb,
  t: number,
  unsound: Set<string>,
): Choice<Reduction> {
  const passedOver: PassedOver[] = [];
  let best: Reduction | null = null;
  for (const branch of index.childrenOf.get(limb.id) ?? []) {
    const place = reductionTo(index, limb, branch);
    if (!place) continue;
    const over = (why: PassedOver['why']) =>
      passedOver.push({ limbId: limb.id, atCm: branch.jointCm, branchId: branch.id, why });
    if (place.atCm > t + HAIR_CM) {
      if (branch.jointCm <= t) over('too near the lesion');
    } else if (!takesOver(place)) over('branch too thin');
    else if (unsound.has(branch.id)) over('branch not sound');
    else if (!best || place.atCm > best.atCm) best = place;
  }
  return { place: best, passedOver };
}

/** The reduction to this side branch, stout enough or not; null where the trunk stands there, or the limb ends too near. */
export function reductionTo(index: LimbIndex, limb: Limb, branch: Limb): Reduction | null {
  // Of many shoots none goes on in the limb’s place
  if (branch.bundle) return null;
  if (isTrunk(index, limb, branch.jointCm) && !isLowestScaffold(index, limb, branch)) return null;
  const limbMm = diameterMmAt(limb, branch.jointCm);
  const atCm = tidy(
    branch.jointCm +
      branch.baseMm / 20 +
      (limbMm < SLENDER_MM ? KEPT_BEYOND_SLENDER_CM : KEPT_BEYOND_BRANCH_CM),
  );
  if (atCm > limb.lengthCm) return null;
  return {
    kind: 'reduction',
    limbId: limb.id,
    atCm,
    toLimbId: branch.id,
    jointCm: branch.jointCm,
    branchMm: branch.baseMm,
    limbMm,
    neededMm: limbMm * (limbMm > THICK_MM ? HALF : THIRD),
  };
}

/** Is the branch stout enough to go on in the limb’s place? */
export function takesOver({ branchMm, neededMm }: Reduction): boolean {
  return branchMm >= neededMm - HAIR_CM;
}

/** A leader may be lowered to the lowest scaffold, whose joint is the top of the trunk. */
function isLowestScaffold(index: LimbIndex, stem: Limb, branch: Limb): boolean {
  return branch.kind === 'scaffold' && index.leaderFromCm.get(stem.id) === branch.jointCm;
}

/** May this wood be headed above a bud at all: thin, or young? */
export function maybeHeaded(limb: Limb, s: number): boolean {
  return (
    diameterMmAt(limb, s) <= HEADING_THICKEST_MM + HAIR_CM || ageYearsAt(limb, s) <= HEADING_OLDEST_YEARS
  );
}

/** The heading cut above a live leaf or unknown bud at or below t; an out or under bud within 3 cm is preferred. */
export function headingAtOrBelow(index: LimbIndex, limb: Limb, t: number): Choice<Heading> {
  const passedOver: PassedOver[] = [];
  const allowed: Bud[] = [];
  for (const bud of limb.buds ?? []) {
    if (isTrunk(index, limb, bud.atCm)) continue;
    const why = whyNot(limb, bud, t);
    if (why === null) allowed.push(bud);
    else if (bud.atCm <= t) passedOver.push({ limbId: limb.id, atCm: bud.atCm, why });
  }
  allowed.sort((a, b) => b.atCm - a.atCm || directionRank(a) - directionRank(b));
  const first = allowed[0];
  if (!first) return { place: null, passedOver };
  const better = allowed.find(
    (bud) => outOrUnder(bud) && first.atCm - bud.atCm <= BUDS_STAND_TOGETHER_CM + HAIR_CM,
  );
  const bud = better ?? first;
  if (bud !== first)
    passedOver.push({ limbId: limb.id, atCm: first.atCm, why: 'an out or under bud is near' });
  const atCm = tidy(bud.atCm + ABOVE_BUD_CM);
  return {
    place: {
      kind: 'heading',
      limbId: limb.id,
      atCm,
      budAtCm: bud.atCm,
      points: bud.points,
      limbMm: diameterMmAt(limb, atCm),
    },
    passedOver,
  };
}

function whyNot(limb: Limb, bud: Bud, t: number): PassedOver['why'] | null {
  const atCm = tidy(bud.atCm + ABOVE_BUD_CM);
  if (atCm > t + HAIR_CM) return 'too near the lesion';
  if (!bud.live) return 'bud dead';
  if (bud.kind === 'flower' || bud.kind === 'mixed') return 'flower bud';
  if (bud.points === 'up') return 'bud points up';
  if (bud.points === 'in') return 'bud points in';
  if (!maybeHeaded(limb, Math.min(atCm, limb.lengthCm))) return 'wood too thick and too old';
  return null;
}

function outOrUnder(bud: Bud): boolean {
  return bud.points === 'out' || bud.points === 'under';
}

function directionRank(bud: Bud): number {
  return outOrUnder(bud) ? 0 : 1;
}

/** Sums of tenths carry binary dust (112 + 1.1 + 2.5); a ten-thousandth of a mm is finer than any saw. */
export function tidy(cm: number): number {
  return Math.round(cm * 1e5) / 1e5;
}
