// Shoots that came at cuts and are not to stay, as work that a plan can weigh.
import { shapeCut } from '../cuts/index';
import { plainDisorder } from '../disorders/index';
import { alike } from '../tree/index';
import { type Candidate, ofCut } from './candidates';
import type { PlanInput } from './input';
import { type Ask, askGoal, type Parts, takesWhole, thoseThat } from './parts';
import type { PlanProblem } from './problem';

const regrownId = (limbId: string) => `regrown ${limbId}`;

/** They go whole, in summer while they are soft, or later. */
export function regrownOf({ tree, regrown }: PlanInput): Candidate[] {
  return regrown.flatMap((limbId): Candidate[] => {
    const findingId = regrownId(limbId);
    const cut = shapeCut(tree.limbs, limbId, null, { findingId, disorder: plainDisorder('misplaced') });
    return cut ? [ofCut(cut, { id: findingId })] : [];
  });
}

/** Each is worth as much as any upright shoot. */
export function askRegrown(
  { tree, regrown, settings: { weights } }: PlanInput,
  { doable, index }: Pick<Parts, 'doable' | 'index'>,
  problem: PlanProblem,
  ask: Ask,
): void {
  for (const limbId of regrown) {
    const limb = tree.limbs.find(({ id }) => id === limbId);
    const solvers = thoseThat(doable, (priced) => takesWhole(priced, limbId, index));
    if (!limb) continue;
    const value = weights.upright * alike(limb);
    askGoal({ id: regrownId(limbId), what: 'regrowth', value }, solvers, problem, ask);
  }
}
