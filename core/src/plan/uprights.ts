// Upright wood as work that a plan can weigh, though nobody noted it.
import { shapeCut } from '../cuts/index';
import { plainDisorder } from '../disorders/index';
import { isTrainedFlat } from '../register/index';
import { isInTraining, uprightId, uprights } from '../shaping/index';
import { alike, type Limb } from '../tree/index';
import { bends, type Candidate, levelBranchAt, ofCut, ofTie } from './candidates';
import type { PlanInput } from './input';
import { type Ask, askGoal, type InForest, type Parts, takesWhole, thoseThat } from './parts';
import { answersIt, crownBeyond, remainsOf } from './price';
import type { PlanProblem } from './problem';

/** None is worth more, but for a bundle. Common practice, no source. */
const MOST = 14;

/** What upright wood is worth: each limb of it, and the crown that it carries. */
export function uprightWorth(
  limb: Limb,
  own: number,
  { settings: { weights } }: Pick<PlanInput, 'settings'>,
  { crown, index }: Pick<Parts, 'crown' | 'index'>,
): number {
  const many = alike(limb);
  const worth =
    many * own + weights.uprightCrown * crownBeyond({ limbId: limb.id, atCm: 0 }, crown, index).crown;
  return many > 1 ? worth : Math.min(MOST, worth);
}

export interface UprightWork {
  limbs: Limb[];
  candidates: Candidate[];
}

/** What somebody noted is asked for as a finding, what came at a cut as regrowth; what they waved off stays. A young tree is trained, and one that is trained flat has upright ribs. */
export function uprightsOf({ tree, findings, regrown, waved, year }: PlanInput): UprightWork {
  if (isInTraining(tree.plantedYear, year) || isTrainedFlat(tree.form)) return { limbs: [], candidates: [] };
  const known = new Set([
    ...waved,
    ...regrown,
    ...findings.flatMap(({ limbId, healed }) => (healed ? [] : [limbId])),
  ]);
  const limbs = uprights(tree.limbs).filter(({ id }) => !known.has(id));
  return {
    // The flattest of a bundle have room and may stay: nothing is asked of them, whoever wants them off can have it
    limbs: limbs.filter(({ bundle }) => bundle?.part?.which !== 'flattest'),
    candidates: limbs.flatMap((limb) => candidatesFor(limb, tree.limbs)),
  };
}

function candidatesFor(limb: Limb, limbs: Limb[]): Candidate[] {
  const id = uprightId(limb.id);
  const level = levelBranchAt(limb, limbs);
  const places = [null, ...(level === null ? [] : [level])];
  return [
    ...places.flatMap((t): Candidate[] => {
      const cut = shapeCut(limbs, limb.id, t, { findingId: id, disorder: plainDisorder('misplaced') });
      return cut ? [ofCut(cut, { id })] : [];
    }),
    ...(bends(limb) && !limb.bundle ? [ofTie('tie down', limb.id, id)] : []),
  ];
}

export function askUprights(
  { limbs }: Pick<UprightWork, 'limbs'>,
  input: PlanInput,
  { doable, index, crown }: Pick<Parts, 'doable' | 'index' | 'crown'>,
  problem: PlanProblem,
  ask: Ask,
): void {
  for (const limb of limbs) {
    const id = uprightId(limb.id);
    const solvers = thoseThat(
      doable,
      (priced) => answersIt(priced, id) || takesWhole(priced, limb.id, index),
    );
    const value = uprightWorth(limb, input.settings.weights.upright, input, { crown, index });
    askGoal(
      { id, what: 'upright', value },
      solvers,
      problem,
      ask,
      (k) => remainsOf((doable[k] as InForest).priced, id) ?? 0,
    );
  }
}
