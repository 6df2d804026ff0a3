// A crown that hangs to one side or has gaps, as work that a plan can weigh; and what a cut costs that makes it so.
import { headingFraction } from '../crown/index';
import { type Cut, heirsOf, shapeCut } from '../cuts/index';
import { plainDisorder } from '../disorders/index';
import { type Leaf, LIGHT_SEED, leavesOf } from '../faults/index';
import {
  bearsAtTip,
  crownRadiusCm,
  type Gap,
  hasSides,
  isInTraining,
  isSameGap,
  isWithin,
  type LeafLoad,
  leafLoad,
  leavesWithout,
  loadsTaken,
  OFF_CENTRE_FROM,
  type Sides,
  type SidesNow,
  sidesOf,
  WEAK_HEIR_RATIO,
  withoutLoad,
} from '../shaping/index';
import { type Limb, limbShape } from '../tree/index';
import { bends, type Candidate, lesionsOf, ofCut, ofTie } from './candidates';
import type { PlanInput } from './input';
import { isGone } from './keepWorth';
import { type Ask, askGoal, beyondInner, type InForest, type Parts, thoseThat } from './parts';
import { answersIt, remainsOf } from './price';
import { ancestors, type PlanProblem } from './problem';
import type { PlannedStep, SidesOfPlan } from './treePlan';

/** The sides of a tree before anything is cut, and what could be done about them. */
export interface SideWork {
  /** null for a tree that has no sides, or is still young. */
  now: SidesNow | null;
  candidates: Candidate[];
}
const NO_SIDES: SideWork = { now: null, candidates: [] };

export function sideWork(input: PlanInput, cuts: Parts['cuts']): SideWork {
  const { limbs, form, plantedYear } = input.tree;
  // A young tree’s limbs are still being chosen: its training sees to its sides
  if (!hasSides(limbs, form) || isInTraining(plantedYear, input.year)) return NO_SIDES;
  const leaves = livingLeaves(input);
  const load = leafLoad(leaves);
  const crown = { radiusCm: crownRadiusCm(limbs), limbCount: limbs.length };
  const now = { ...sidesOf(load, crown), leaves, load, crown };
  return {
    now,
    candidates: [...(isOffCentre(now) ? backOverStem(input, cuts, now) : []), ...intoGaps(input, cuts, now)],
  };
}
const isOffCentre = ({ offCentre }: Sides) => offCentre >= OFF_CENTRE_FROM;

/** The leaves of the tree, without those that dead or broken wood bore. */
function livingLeaves({ tree: { limbs }, findings }: PlanInput): Leaf[] {
  const gone = findings.filter((finding) => isGone(finding) && !finding.healed);
  return leavesWithout(
    limbs,
    leavesOf(limbs, LIGHT_SEED),
    gone.map(({ limbId, fromCm }) => ({ limbId, atCm: fromCm })),
  );
}

const BALANCE_ID = 'balance';
const gapId = (middleDeg: number) => `gap ${middleDeg}`;

/** Of the longest limbs on the heavy side, so many; of the branches that could take over, the outermost ones. Common practice, no source. */
const LIMBS_LOOKED_AT = 3;
const PLACES_A_LIMB = 2;
const HEAVY_WITHIN_DEG = 60;
const BEARERS: readonly string[] = ['scaffold', 'branch'];

function backOverStem(input: PlanInput, cuts: Parts['cuts'], { heavyDeg }: SidesNow): Candidate[] {
  const { limbs } = input.tree;
  const shape = limbShape(limbs);
  const lesions = lesionsOf(input, cuts);
  const outCm = ({ id }: Limb) => Math.hypot(shape.get(id)?.tip.x ?? 0, shape.get(id)?.tip.y ?? 0);
  return limbs
    .filter(
      (limb) => BEARERS.includes(limb.kind) && isWithin(seenAt(limb, shape), heavyDeg, HEAVY_WITHIN_DEG),
    )
    .toSorted((a, b) => outCm(b) - outCm(a))
    .slice(0, LIMBS_LOOKED_AT)
    .flatMap(({ id }) =>
      heirsOf(limbs, id, lesions, { findingId: BALANCE_ID, disorder: MISPLACED })
        .filter(({ stout }) => stout)
        .slice(-PLACES_A_LIMB)
        .map(({ cut }) => ofCut(cut, { id: BALANCE_ID })),
    );
}
const MISPLACED = plainDisorder('misplaced');

const UPRIGHT_FROM_DEG = 70;
const UPRIGHT_FROM_CM = 40;
const TIED_FROM_CM = 60;
/** Beside a gap is what points to within so many degrees of it. */
const BESIDE_DEG = 45;
const NEIGHBOURS = 2;

/** A bud that is to grow into a gap may break another way, or not at all. Common practice, no source. */
const HEADED_LEAVES = 0.5;

/** An upright that stands there ends at a branch that points into the gap; or a limb beside it is tied over, or headed to a bud that points there. */
function intoGaps(input: PlanInput, cuts: Parts['cuts'], { gaps }: SidesNow): Candidate[] {
  const { limbs, species, habit } = input.tree;
  const shape = limbShape(limbs);
  const lesions = lesionsOf(input, cuts);
  const kinds = new Map(limbs.map(({ id, kind }) => [id, kind]));
  const isFilling = (middleDeg: number, besideDeg: number) =>
    limbs.some((limb) => input.tied.includes(limb.id) && isWithin(limb.bearingDeg, middleDeg, besideDeg));
  return gaps.flatMap(({ middleDeg, widthDeg }) => {
    const besideDeg = widthDeg / 2 + BESIDE_DEG;
    // What was tied over grows into it already
    if (isFilling(middleDeg, besideDeg)) return [];
    const id = gapId(middleDeg);
    const uprights = limbs.filter(
      (limb) =>
        limb.parentId !== null &&
        kinds.get(limb.parentId) !== 'trunk' &&
        limb.inclinationDeg > UPRIGHT_FROM_DEG &&
        limb.lengthCm >= UPRIGHT_FROM_CM &&
        isWithin(seenAt(limb, shape), middleDeg, besideDeg),
    );
    const neighbours = limbs
      .filter(
        (limb) =>
          limb.kind !== 'trunk' &&
          !limb.bundle &&
          limb.lengthCm >= TIED_FROM_CM &&
          isWithin(limb.bearingDeg, middleDeg, besideDeg),
      )
      .toSorted((a, b) => b.lengthCm - a.lengthCm);
    const tied = neighbours.filter(bends).slice(0, NEIGHBOURS);
    const headed = bearsAtTip(habit)
      ? []
      : neighbours
          .flatMap((limb): Cut[] => {
            const cut = shapeCut(limbs, limb.id, limb.lengthCm * (1 - headingFraction(species)), {
              findingId: id,
              disorder: MISPLACED,
            });
            // Only where the buds are still to be looked at can one be found that points there
            return cut?.upToCm === undefined ? [] : [{ ...cut, towardDeg: middleDeg }];
          })
          .slice(0, NEIGHBOURS);
    return [
      ...uprights.flatMap((limb) =>
        heirsOf(limbs, limb.id, lesions, { findingId: id, disorder: MISPLACED })
          .filter(
            ({ branch, ratio }) =>
              ratio >= WEAK_HEIR_RATIO && isWithin(branch.bearingDeg, middleDeg, widthDeg / 2),
          )
          .map(({ cut }) => ofCut(cut, { id })),
      ),
      ...tied.map((limb) => ofTie('tie over', limb.id, id)),
      ...headed.map((cut) => ofCut(cut, { id }, undefined, HEADED_LEAVES)),
    ];
  });
}

/** Where its end is seen from the stem, compass bearing, degrees. */
function seenAt({ id, bearingDeg }: Limb, shape: ReturnType<typeof limbShape>): number {
  const tip = shape.get(id)?.tip;
  return tip ? (Math.atan2(tip.x, tip.y) * 180) / Math.PI : bearingDeg;
}

/** What taking the wood of a candidate alone does to the sides of the tree. */
export interface SideEffect {
  /** Points of a hundred that the crown comes back over its stem, less where it goes farther off. */
  points: number;
  /** Middles of the gaps that it opens, or widens. */
  opens: Gap[];
}

export function sideEffects({ limbs }: PlanInput['tree'], now: SidesNow, doable: InForest[]): SideEffect[] {
  const ks = doable.flatMap(({ priced }, k) => (priced.kerf ? [k] : []));
  const loads = loadsTaken(
    limbs,
    now.leaves,
    ks.flatMap((k) => doable[k]?.priced.kerf ?? []),
  );
  const effects = doable.map((): SideEffect => ({ points: 0, opens: [] }));
  ks.forEach((k, i) => {
    const after = sidesOf(withoutLoad(now.load, loads[i] as LeafLoad), now.crown);
    effects[k] = {
      points: (now.offCentre - after.offCentre) * 100,
      opens: after.gaps.filter((gap) => !now.gaps.some((had) => isSameGap(had, gap))),
    };
  });
  return effects;
}

/**
 * What a cut brings the crown back over its stem is worth something as far as it hangs off it; what it takes it off, and a gap that it
 * opens, is charged with the wood that does it. A cut counts beyond what its inner cuts do.
 */
export function askSides(
  input: PlanInput,
  { doable, sides, heights }: Pick<Parts, 'doable' | 'sides' | 'heights'>,
  problem: PlanProblem,
  ask: Ask,
): SideEffect[] {
  const { now } = sides;
  if (!now) return [];
  const { weights } = input.settings;
  const effects = sideEffects(input.tree, now, doable);
  const points = beyondInner(
    problem,
    effects.map((effect) => effect.points),
  );
  const gained = points.reduce((sum, each) => sum + Math.max(0, each), 0);
  const lacks = isOffCentre(now) ? now.offCentre * 100 : 0;
  const scale = gained > 0 ? Math.min(1, lacks / gained) : 0;
  const opened = beyondInner(
    problem,
    effects.map(({ opens }) => opens.length),
  );
  const goesForHeight = new Set(heights.tall.flatMap(({ limbIds }) => [...limbIds]));
  problem.candidates.forEach(({ id, own }, k) => {
    const more = points[k] as number;
    // A limb that is too tall is brought down, whatever its side loses
    if (!goesForHeight.has(doable[k]?.priced.kerf?.limbId ?? ''))
      own.keepWorth +=
        weights.balancePoint * Math.max(0, -more) + weights.keepSector * Math.max(0, opened[k] as number);
    const value = weights.balancePoint * scale * more;
    if (value > 0)
      askGoal(
        { id: `${BALANCE_ID} ${id}`, what: 'balance', value },
        [k, ...ancestors(problem, k)],
        problem,
        ask,
      );
  });
  for (const { middleDeg } of now.gaps) {
    const id = gapId(middleDeg);
    const own = thoseThat(doable, (priced) => answersIt(priced, id));
    // A cut nearer the trunk takes what was to grow there, and leaves all of the gap
    const nearer = own.flatMap((k) => ancestors(problem, k)).filter((k) => !own.includes(k));
    const solvers = [...own, ...new Set(nearer)];
    askGoal(
      { id, what: 'gap', value: weights.gap },
      solvers,
      problem,
      ask,
      (k) => remainsOf((doable[k] as InForest).priced, id) ?? 1,
    );
  }
  return effects;
}

/** The sides of the tree as they are and after each season of the plan, from the leaves that are left. */
export function sidesAfter(
  { tree, seasons }: Pick<PlanInput, 'tree' | 'seasons'>,
  now: SidesNow | null,
  steps: readonly (Pick<PlannedStep, 'season'> & { kerf: { limbId: string; atCm: number } | null })[],
): SidesOfPlan | null {
  if (!now) return null;
  const told = ({ offCentre, heavyDeg, gaps }: Sides) => ({ offCentre, heavyDeg, gaps });
  let leaves = now.leaves;
  const after = Array.from({ length: seasons }, (_, y) => {
    const kerfs = steps.flatMap(({ season, kerf }) => (season === y + 1 && kerf ? [kerf] : []));
    leaves = leavesWithout(tree.limbs, leaves, kerfs);
    return told(sidesOf(leafLoad(leaves), now.crown));
  });
  return { now: told(now), after };
}
