// The next step from what is known here; null until all of it is, or the step would change under the thumb.

import { type Lane, type TimingNow, windowsAt } from '@mortisect/contracts';
import { rechecksDue, type SiteToday } from '@mortisect/core/present';
import type { ListedTree, Run } from '@mortisect/core/run';
import { hourOf } from '@mortisect/core/weather';
import { useTrees } from '../../data/queries';
import { useClock } from '../../data/useClock';
import { useCutsOnRecord } from '../../data/useCutsOnRecord';
import { useSay } from '../../data/useSay';
import { useQueue } from '../round/walk';
import { type NextStep, nextStepOf } from './nextStep';
import { isDryNow, urgentTrees } from './urgent';

export interface Known {
  run: Run | undefined;
  today: SiteToday | undefined;
  timingNow: TimingNow | undefined;
  listed: readonly ListedTree[];
  /** Of the kind of wood that most trees are of. */
  lane: Lane | undefined;
}

export function useNextStep({ run, today, timingNow, listed, lane }: Known): NextStep | null {
  const say = useSay();
  const clock = useClock();
  const { round, queue, isRead } = useQueue();
  const trees = useTrees().data?.trees;
  const { cuts } = useCutsOnRecord(today);
  if (!run || !trees || !isRead || !cuts) return null;
  return nextStepOf(say, {
    trees: trees.filter((tree) => tree.status !== 'removed').length,
    run,
    urgent: (isDryNow(timingNow) && urgentTrees(listed)[0]?.tree) || null,
    verdict: (lane && windowsAt(lane.windows, hourOf(clock())).open?.verdict) ?? 'wait',
    round,
    queue: round ? queue : null,
    rechecksDue: rechecksDue(cuts).length,
  });
}
