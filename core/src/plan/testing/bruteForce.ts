// The best of all plans, found by trying every one. For problems of a few candidates.
import { breachOf, type PlanProblem, worthOf } from '../problem';

/** @returns the greatest worth of a plan that breaks nothing, and one plan that has it; null when there is none */
export function bruteForce(problem: PlanProblem): { worth: number; plan: number[] } | null {
  const plan = problem.candidates.map(() => -1);
  let best: { worth: number; plan: number[] } | null = null;
  const tryFrom = (k: number): void => {
    if (k === plan.length) {
      const worth = worthOf(problem, plan);
      if ((!best || worth > best.worth) && breachOf(problem, plan) === null)
        best = { worth, plan: [...plan] };
      return;
    }
    for (const slot of [-1, ...(problem.candidates[k]?.slots ?? [])]) {
      plan[k] = slot;
      tryFrom(k + 1);
    }
    plan[k] = -1;
  };
  tryFrom(0);
  return best;
}
