// The order of some trees of a run: from where they stand, what their wood is, and where the cart goes out.

import { type RunOrder, WALKED_M_A_MINUTE } from '@mortisect/core/plan';
import { groundPlaces } from '@mortisect/core/register';
import { cleaningsOn, type Stop } from '@mortisect/core/run';
import { useMemo } from 'react';
import { usePreferences } from '../../data/preferences';
import { useTrees } from '../../data/queries';
import { useRunOrder } from '../../data/usePlan';

type Register = NonNullable<ReturnType<typeof useTrees>['data']>;
const placesKnown = new WeakMap<Register, ReturnType<typeof groundPlaces>>();

/** Once a register: of thousands of trees it takes a phone tenths of a second. */
function placesOf(register: Register): ReturnType<typeof groundPlaces> {
  const places = placesKnown.get(register) ?? groundPlaces(register.rows, register.trees);
  placesKnown.set(register, places);
  return places;
}

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
    const places = placesOf(register);
    const stopAt = new Map(stops.map((stop) => [stop.tree.id, stop]));
    const trees = register.trees.flatMap(({ id }) => {
      const [stop, place] = [stopAt.get(id), places.get(id)];
      return stop && place ? [{ id, class: stop.wood, ...place, cleanings: cleaningsOn(stop.items) }] : [];
    });
    const end = endOfRow(cartAt, register.trees, places);
    return { trees, start: null, end, metresPerMinute: WALKED_M_A_MINUTE };
  }, [stops, register, cartAt]);
  return useRunOrder(input);
}

/** The place of the first or the last tree of a row; null where it is not said, or the row is gone. */
function endOfRow(
  cartAt: string | null,
  trees: readonly { id: string; rowId: string; place: number }[],
  places: ReadonlyMap<string, { x: number; y: number }>,
): { x: number; y: number } | null {
  if (cartAt === null) return null;
  const gap = cartAt.lastIndexOf(' ');
  const [rowId, which] = [cartAt.slice(0, gap), cartAt.slice(gap + 1)];
  const treesOfRow = trees.filter((tree) => tree.rowId === rowId).sort((a, b) => a.place - b.place);
  const tree = which === 'last' ? treesOfRow.at(-1) : treesOfRow[0];
  return (tree && places.get(tree.id)) ?? null;
}
