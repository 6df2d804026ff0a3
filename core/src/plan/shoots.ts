// Shoots that grew too long, as work that a plan can weigh.
import { treeAge } from '../register/index';
import { type OverLong, overLong, SHOOT_WORTH, shootsId } from '../shaping/index';
import { type Candidate, ofCut } from './candidates';
import type { PlanInput } from './input';
import { type Ask, askGoal, type Parts, shortensTo, thoseThat } from './parts';
import type { PlanProblem } from './problem';

export interface Shoots {
  long: OverLong[];
  candidates: Candidate[];
}

export function shootsOf({ tree, year }: PlanInput): Shoots {
  const long = overLong({ ...tree, ageYears: treeAge(tree.plantedYear, year) });
  return {
    long,
    candidates: long.map(({ limbId, cut }) => ofCut(cut, { id: shootsId(limbId) })),
  };
}

/** Each limb’s shoots are one problem: whatever shortens them, or takes them, solves it. */
export function askShoots(
  { long }: Pick<Shoots, 'long'>,
  { doable, index }: Pick<Parts, 'doable' | 'index'>,
  problem: PlanProblem,
  ask: Ask,
): void {
  for (const { limbId, count, cut } of long) {
    const atCm = cut.upToCm ?? cut.atCm;
    const solvers = thoseThat(doable, (priced) => shortensTo(priced, limbId, atCm, index));
    askGoal({ id: shootsId(limbId), what: 'shoots', value: SHOOT_WORTH * count }, solvers, problem, ask);
  }
}
