// The run as it stands on this device: the trees as they are listed, what was done, the blade in hand.

import { openRun, type SiteToday } from '@mortisect/core/present';
import type { Action } from '@mortisect/core/records';
import { type Run, runIn, runWaiting, type Stop, workOf } from '@mortisect/core/run';
import { useMemo, useRef } from 'react';
import { useInHand } from '../../data/inHand';
import { isBeingRead, useRunActions, useTiming } from '../../data/queries';
import { type Listed, useListedTrees } from '../../data/useListedTrees';
import { useSay } from '../../data/useSay';
import { proposedOf } from './openWindows';
import { useStopOrder } from './useStopOrder';

const NO_STOPS: Stop[] = [];

export interface RunHere {
  run: Run;
  today: SiteToday;
  actions: readonly Action[];
  /** Every plan is of the tree as it is now; until then one of before may stand. */
  planned: boolean;
  /** The trees are in their order; until then it is reckoned. */
  ordered: boolean;
}

interface RunAndTrees {
  /**
   * Null until every tree has a plan, or will get none: no count would be true before. While a run is being chosen it stays once it was shown: a tree
   * that is found to need work meanwhile comes in with its plan, and nobody loses what they had ticked. In a run the next card waits for the plans.
   */
  here: RunHere | null;
  listed: Listed | null;
  /** What is waited for, where it is plans. */
  says: string | undefined;
  error: Error | null;
  refetch(): unknown;
}

/** @param isOrdered false as long as the trees need not stand in their order: whoever shows only the first of them draws that first */
export function useRun(isOrdered = true): RunAndTrees {
  const say = useSay();
  const { listed, error, refetch } = useListedTrees();
  const runActions = useRunActions();
  const hand = useInHand();
  const { actions } = runActions;
  const today = listed?.today;
  const shown = useRef(false);
  if (listed?.ready) shown.current = true;
  const isOpen = useMemo(() => actions !== undefined && openRun(actions) !== null, [actions]);
  const trees = listed && (listed.ready || (shown.current && !isOpen)) ? listed.trees : null;
  const work = useMemo(() => trees && workOf(trees), [trees]);
  const waits = useMemo(
    () => (today && work && actions ? runWaiting({ work, actions, today }) : null),
    [today, work, actions],
  );
  const unordered = useMemo(() => waits && runIn(waits), [waits]);
  const proposedStops = useProposed(isOrdered ? unordered : null);
  const order = useStopOrder(proposedStops);
  const proposed = useMemo(
    () => (waits && order ? runIn(waits, { order: order.order }) : unordered),
    [waits, order, unordered],
  );
  const run = useMemo(() => {
    const chosen = hand.bladeId !== null && hand.itemId === proposed?.item?.id;
    return waits && chosen ? runIn(waits, { order: order?.order ?? [], inHand: hand.bladeId }) : proposed;
  }, [waits, order, proposed, hand]);
  const planned = listed?.current ?? false;
  const ordered = order !== null || run?.stops.length === 0;
  const here = useMemo(
    () => (run && today && actions ? { run, today, actions, planned, ordered } : null),
    [run, today, actions, planned, ordered],
  );
  return {
    // What was done is there in a moment: a page of thousands of trees is not drawn without it and drawn again
    ...{ here, listed: runActions.isBeingRead ? null : listed },
    says:
      listed && !listed.ready
        ? say('shared.treesPlanned', { planned: listed.planned, trees: listed.trees.length })
        : undefined,
    error: error ?? runActions.error,
    refetch: () => Promise.all([refetch(), runActions.refetch()]),
  };
}

/** Of a run that is not begun. None before the windows were read: they would be ordered twice. */
function useProposed(run: Run | null): Stop[] {
  const timing = useTiming();
  const isRead = !isBeingRead(timing);
  const timingNow = timing.data;
  return useMemo(() => {
    // An open run has the order it was started with
    return !run || run.open || !isRead ? NO_STOPS : proposedOf(run.stops, timingNow);
  }, [run, isRead, timingNow]);
}
