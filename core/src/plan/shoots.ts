// Shoots that grew too long, as work that a plan can weigh.
import { treeAge } from '../register/index';
import { type OverLong, overLong, SHOOT_WORTH, shootsId } from '../shaping/index';
import { isDistalOf } from '../tree/index';
import { type Candidate, cutId } from './candidates';
import type { PlanInput } from './input';
import type { Asked, Parts } from './parts';
import type { PlanProblem } from './problem';

export interface Shoots {
  long: OverLong[];
  candidates: Candidate[];
}

export function shootsOf({ tree, year }: PlanInput): Shoots {
  const long = overLong({ ...tree, ageYears: treeAge(tree.plantedYear, year) });
  return {
    long,
    candidates: long.map(
      ({ limbId, cut }): Candidate => ({
        id: cutId(cut),
        what: { is: 'cut', cut },
        answers: [{ findingId: shootsId(limbId), remains: 0 }],
        passes: ['dormant', 'summer'],
      }),
    ),
  };
}

/** Each limb’s shoots are one problem: whatever shortens them, or takes them, solves it. */
export function askShoots(
  { long }: Pick<Shoots, 'long'>,
  { doable, index }: Pick<Parts, 'doable' | 'index'>,
  problem: PlanProblem,
  ask: (question: Asked) => number,
): void {
  for (const { limbId, count, cut } of long) {
    const atCm = cut.upToCm ?? cut.atCm;
    const solvers = doable.flatMap(({ priced: { kerf } }, k) =>
      kerf &&
      (kerf.limbId === limbId ? kerf.atCm <= atCm : isDistalOf(index, limbId, 0.01, kerf.limbId, kerf.atCm))
        ? [k]
        : [],
    );
    if (solvers.length === 0) continue;
    const p = ask({
      id: shootsId(limbId),
      findingId: null,
      what: 'shoots',
      value: SHOOT_WORTH * count,
      must: false,
    });
    for (const k of solvers) problem.candidates[k]?.solves.push({ problem: p, remains: 0 });
  }
}
