// Where the trees of the register stand, as they are drawn from above.
import { type OrchardPlan, orchardPlan } from '@mortisect/core/register';
import { useMemo } from 'react';
import { useTrees } from '../data/queries';

/**
 * Trees that were taken out are not drawn; null until the register is there.
 *
 * @param plotId that plot alone
 */
export function useOrchardPlan(plotId?: string): OrchardPlan | null {
  const register = useTrees().data;
  return useMemo(() => {
    if (!register) return null;
    const { plots, trees } = register;
    return orchardPlan({
      ...register,
      plots: plotId === undefined ? plots : plots.filter(({ id }) => id === plotId),
      trees: trees.filter(({ status }) => status !== 'removed'),
    });
  }, [register, plotId]);
}
