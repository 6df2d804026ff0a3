// Bearing wood that stands too close, or is past its age, as work that a plan can weigh.
import { type Renewal, renewalId, renewals, type Surplus, spacingId, surplusBearing } from '../shaping/index';
import { type Candidate, lesionsOf, ofCut } from './candidates';
import type { PlanInput } from './input';
import { type Ask, askGoal, type Parts, takesWhole, thoseThat } from './parts';
import { ancestors, type PlanProblem } from './problem';

export interface Bearing {
  surplus: Surplus[];
  renewed: Renewal[];
  candidates: Candidate[];
}

export function bearingOf(input: PlanInput, cuts: Parts['cuts']): Bearing {
  const surplus = surplusBearing(input.tree);
  const renewed = renewals(input.tree, lesionsOf(input, cuts));
  return {
    surplus,
    renewed,
    candidates: [
      ...surplus.map(({ limbId, cut }) => ofCut(cut, { id: spacingId(limbId) })),
      ...renewed.map(({ limbId, cut }) => ofCut(cut, { id: renewalId(limbId) }, ['dormant'])),
    ],
  };
}

/** A shoot or spur is thinned by whatever takes it; a lateral is renewed only by the cut at its follower, and gone with what takes it whole. */
export function askBearing(
  { surplus, renewed }: Pick<Bearing, 'surplus' | 'renewed'>,
  { settings: { weights } }: Pick<PlanInput, 'settings'>,
  { doable, index }: Pick<Parts, 'doable' | 'index'>,
  problem: PlanProblem,
  ask: Ask,
): void {
  for (const { limbId } of surplus) {
    const solvers = thoseThat(doable, (priced) => takesWhole(priced, limbId, index));
    askGoal({ id: spacingId(limbId), what: 'spacing', value: weights.spacing }, solvers, problem, ask);
  }
  for (const { limbId, cut } of renewed) {
    const k = doable.findIndex(({ priced: { kerf } }) => kerf?.limbId === limbId && kerf.atCm === cut.atCm);
    if (k < 0) continue;
    askGoal(
      { id: renewalId(limbId), what: 'renewal', value: weights.renewal },
      [k, ...ancestors(problem, k)],
      problem,
      ask,
    );
  }
}
