// Upright wood as work that a plan can weigh, though nobody noted it.
import { shapeCut } from '../cuts/index';
import { plainDisorder } from '../disorders/index';
import { isTrainedFlat, treeAge } from '../register/index';
import { TRAINED_UP_TO_YEARS, uprightId, uprights } from '../shaping/index';
import { alike, isDistalOf, type Limb } from '../tree/index';
import { bends, type Candidate, levelBranchAt, ofCut, ofTie } from './candidates';
import type { PlanInput } from './input';
import { type Ask, askGoal, type Parts } from './parts';
import { crownBeyond } from './price';
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
  const age = treeAge(tree.plantedYear, year);
  if ((age !== null && age <= TRAINED_UP_TO_YEARS) || isTrainedFlat(tree.form))
    return { limbs: [], candidates: [] };
  const known = new Set([
    ...waved,
    ...regrown,
    ...findings.flatMap(({ limbId, healed }) => (healed ? [] : [limbId])),
  ]);
  const limbs = uprights(tree.limbs).filter(({ id }) => !known.has(id));
  return { limbs, candidates: limbs.flatMap((limb) => candidatesFor(limb, tree.limbs)) };
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
  { limbs, candidates }: UprightWork,
  input: PlanInput,
  parts: Pick<Parts, 'doable' | 'index' | 'crown'>,
  problem: PlanProblem,
  ask: Ask,
): void {
  for (const limb of limbs) {
    const id = uprightId(limb.id);
    const own = candidates.filter(({ answers }) => answers.some(({ findingId }) => findingId === id));
    const cutIds = new Set(own.flatMap((each) => (each.what.is === 'cut' ? [each.id] : [])));
    const solvers = parts.doable.flatMap(({ priced: { id: pricedId, kerf } }, k) =>
      kerf && (cutIds.has(pricedId) || isDistalOf(parts.index, limb.id, 0.01, kerf.limbId, kerf.atCm))
        ? [k]
        : [],
    );
    const value = uprightWorth(limb, input.settings.weights.upright, input, parts);
    const p = askGoal({ id, what: 'upright', value }, solvers, problem, ask);
    const tie = parts.doable.findIndex(({ priced }) => priced.id === `${limb.id} tie down`);
    const remains = own.find((each) => each.what.is === 'other')?.answers[0]?.remains;
    if (p !== null && tie >= 0 && remains !== undefined)
      problem.candidates[tie]?.solves.push({ problem: p, remains });
  }
}
