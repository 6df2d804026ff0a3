// The order of some trees of a run: from where they stand, what their wood is, and where the cart goes out.

import { type RunOrder, WALKED_M_A_MINUTE } from '@mortisect/core/plan';
import { groundAt } from '@mortisect/core/register';
import { cleaningsOn, type Stop } from '@mortisect/core/run';
import { useMemo } from 'react';
import { usePreferences } from '../../data/preferences';
import { useTrees } from '../../data/queries';
import { useRunOrder } from '../../data/useRunOrder';

/**
 * The same trees give the same order, however they are listed; without it they would be walked row by row, as the register has them.
 *
 * @returns null while it is reckoned, and where there are no trees
 */
export function useStopOrder(stops: readonly Stop[]): RunOrder | null {
  const register = useTrees().data;
  const cartAt = usePreferences((preferences) => preferences.cartAt);
  const input = useMemo(() => {
    if (!register) return null;
    const at = groundAt(register.rows);
    const stopAt = new Map(stops.map((stop) => [stop.tree.id, stop]));
    const trees = register.trees.flatMap((tree) => {
      const stop = stopAt.get(tree.id);
      return stop ? [{ id: tree.id, class: stop.wood, ...at(tree), cleanings: cleaningsOn(stop.items) }] : [];
    });
    const last = endOfRow(cartAt, register.trees);
    const end = last ? at(last) : null;
    return { trees, start: null, end, metresPerMinute: WALKED_M_A_MINUTE };
  }, [stops, register, cartAt]);
  return useRunOrder(input);
}

/** The first or the last tree of a row; null where it is not said, or the row is gone. */
function endOfRow<T extends { rowId: string; place: number }>(
  cartAt: string | null,
  trees: readonly T[],
): T | null {
  if (cartAt === null) return null;
  const gap = cartAt.lastIndexOf(' ');
  const [rowId, which] = [cartAt.slice(0, gap), cartAt.slice(gap + 1)];
  const treesOfRow = trees.filter((tree) => tree.rowId === rowId).sort((a, b) => a.place - b.place);
  return (which === 'last' ? treesOfRow.at(-1) : treesOfRow[0]) ?? null;
}
