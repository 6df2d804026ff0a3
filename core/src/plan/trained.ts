// What keeps a flat-trained form, as work that a plan can weigh.
import { type FormKept, formId, formKept, SHOOT_WORTH } from '../shaping/index';
import { alike } from '../tree/index';
import { type Candidate, ofCut } from './candidates';
import type { PlanInput } from './input';
import { type Ask, askGoal, type Parts, shortensTo, thoseThat } from './parts';
import type { PlanProblem } from './problem';

export interface FormWork {
  kept: FormKept[];
  candidates: Candidate[];
}

/** Shoots are shortened in summer while they are soft; a rib goes at either time. */
export function formOf({ tree }: PlanInput): FormWork {
  const kept = formKept(tree);
  return {
    kept,
    candidates: kept.map(({ limbId, why, cut }) =>
      ofCut(cut, { id: formId(limbId) }, why === 'shoot' ? ['summer'] : undefined),
    ),
  };
}

export function askForm(
  { kept }: Pick<FormWork, 'kept'>,
  { settings: { weights } }: Pick<PlanInput, 'settings'>,
  { doable, index }: Pick<Parts, 'doable' | 'index'>,
  problem: PlanProblem,
  ask: Ask,
): void {
  for (const { limbId, why, cut } of kept) {
    const limb = index.byId.get(limbId);
    if (!limb) continue;
    const atCm = cut.upToCm ?? cut.atCm;
    const solvers = thoseThat(doable, (priced) => shortensTo(priced, limbId, atCm, index));
    const value = why === 'rib' ? weights.spacing : SHOOT_WORTH * alike(limb);
    askGoal({ id: formId(limbId), what: 'form', value }, solvers, problem, ask);
  }
}
