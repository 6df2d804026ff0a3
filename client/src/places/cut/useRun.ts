// The run as it stands on this device: open trees, their plans, what was done, the blade in hand.
import type { Action } from '@mortisect/contracts';
import { groundPlaces } from '@mortisect/core/register';
import { useMemo } from 'react';
import { useInHand } from '../../data/inHand';
import type { SiteToday, TreeView } from '../../data/orchardView';
import { useRunActions, useTrees } from '../../data/queries';
import { useOpenViews } from '../../data/useOpenViews';
import { usePlans, useRunOrder } from '../../data/usePlan';
import { cleaningsOn } from './bladeAtHand';
import { type Run, runOf } from './run';
import { workOf } from './work';

const NONE: TreeView[] = [];

export interface RunHere {
  run: Run;
  today: SiteToday;
  views: TreeView[];
  actions: readonly Action[];
  /** Metres walked in the order of the run and as the trees stand in the list; null while it is reckoned. */
  walk: { metres: number; naiveMetres: number; gap: number } | null;
}

export function useRun(): { here: RunHere | null; error: Error | null; refetch(): unknown } {
  const { open, error, refetch } = useOpenViews();
  const runActions = useRunActions();
  const { plans, ready } = usePlans(open?.views ?? NONE, open?.today ?? null);
  const register = useTrees().data;
  const hand = useInHand();
  const { actions } = runActions;
  const work = useMemo(() => (open && ready ? workOf(open.views, plans) : null), [open, ready, plans]);
  const unordered = useMemo(
    () => (open && work && actions ? runOf({ work, actions, today: open.today }) : null),
    [open, work, actions],
  );
  const input = useMemo(() => {
    if (!unordered || !register) return null;
    const places = groundPlaces(register.rows, register.trees);
    const trees = unordered.stops.flatMap(({ view, wood, items }) => {
      const place = places.get(view.tree.id);
      return place ? [{ id: view.tree.id, class: wood, ...place, cleanings: cleaningsOn(items) }] : [];
    });
    return { trees, start: null, end: null, metresPerMinute: 50 };
  }, [unordered, register]);
  const order = useRunOrder(input);
  const ordered = useMemo(
    () =>
      unordered && open && work && actions
        ? { work, actions, today: open.today, order: order?.order ?? [] }
        : null,
    [unordered, open, work, actions, order],
  );
  const proposed = useMemo(() => (ordered ? runOf(ordered) : null), [ordered]);
  const run = useMemo(() => {
    const chosen = hand.bladeId !== null && hand.itemId === proposed?.item?.id;
    return ordered && chosen ? runOf({ ...ordered, inHand: hand.bladeId }) : proposed;
  }, [ordered, proposed, hand]);
  const here =
    run && open
      ? {
          run,
          today: open.today,
          views: open.views,
          actions: actions ?? [],
          walk: order && { metres: order.walk.metres, naiveMetres: order.naive.metres, gap: order.gap },
        }
      : null;
  return {
    here,
    error: error ?? runActions.error,
    refetch: () => Promise.all([refetch(), runActions.refetch()]),
  };
}
