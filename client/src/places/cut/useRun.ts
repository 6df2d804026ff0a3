// The run as it stands on this device: open trees, their plans, what was done, the blade in hand.

import type { SiteToday, TreeView } from '@mortisect/core/present';
import type { Action } from '@mortisect/core/records';
import { type Run, runOf, type Stop, workOf } from '@mortisect/core/run';
import { useMemo } from 'react';
import { useInHand } from '../../data/inHand';
import { useRunActions } from '../../data/queries';
import { useOpenViews } from '../../data/useOpenViews';
import { usePlans } from '../../data/usePlan';
import { useStopOrder } from './useStopOrder';

const NONE: TreeView[] = [];
const NO_STOPS: Stop[] = [];

export interface RunHere {
  run: Run;
  today: SiteToday;
  views: TreeView[];
  actions: readonly Action[];
  /** Every plan is of the tree as it is now; until then one of before may stand. */
  planned: boolean;
  /** The trees are in their order; until then it is reckoned. */
  ordered: boolean;
}

export function useRun(): { here: RunHere | null; error: Error | null; refetch(): unknown } {
  const { open, error, refetch } = useOpenViews();
  const runActions = useRunActions();
  const { plans, ready, current } = usePlans(open?.views ?? NONE, open?.today ?? null);
  const hand = useInHand();
  const { actions } = runActions;
  const work = useMemo(
    () => (open && ready ? workOf(open.views, plans, open.today) : null),
    [open, ready, plans],
  );
  const unordered = useMemo(
    () => (open && work && actions ? runOf({ work, actions, today: open.today }) : null),
    [open, work, actions],
  );
  // An open run has the order it was started with
  const order = useStopOrder(unordered && !unordered.open ? unordered.stops : NO_STOPS);
  const given = useMemo(
    () => (open && work && actions ? { work, actions, today: open.today, order: order?.order ?? [] } : null),
    [open, work, actions, order],
  );
  const proposed = useMemo(() => (given && order ? runOf(given) : unordered), [given, order, unordered]);
  const run = useMemo(() => {
    const chosen = hand.bladeId !== null && hand.itemId === proposed?.item?.id;
    return given && chosen ? runOf({ ...given, inHand: hand.bladeId }) : proposed;
  }, [given, proposed, hand]);
  const here =
    run && open
      ? {
          run,
          today: open.today,
          views: open.views,
          actions: actions ?? [],
          planned: current,
          ordered: order !== null || run.stops.length === 0,
        }
      : null;
  return {
    here,
    error: error ?? runActions.error,
    refetch: () => Promise.all([refetch(), runActions.refetch()]),
  };
}
