// Where the trees of the register stand, as they are drawn from above.
import { type OrchardPlan, orchardPlan } from '@mortisect/core/register';
import { useMemo } from 'react';
import { useTrees } from '../data/queries';

/** Trees that were taken out are not drawn; null until the register is there. */
export function useOrchardPlan(): OrchardPlan | null {
  const register = useTrees().data;
  return useMemo(
    () =>
      register
        ? orchardPlan({ ...register, trees: register.trees.filter(({ status }) => status !== 'removed') })
        : null,
    [register],
  );
}
