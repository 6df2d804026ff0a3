// The next step from what is known here; null until all of it is, or the step would change under the thumb.
import {
  cutsOnRecord,
  type Lane,
  queueOf,
  rechecksDue,
  type TimingNow,
  windowsAt,
} from '@mortisect/contracts';
import { hourOf } from '@mortisect/core/weather';
import type { SiteToday, TreeView } from '../../data/orchardView';
import { useAftercare, useRound, useTrees } from '../../data/queries';
import { useClock } from '../../data/useClock';
import type { Run } from '../cut/run';
import { type NextStep, nextStepOf } from './nextStep';
import { isDryNow, urgentTrees } from './urgent';

interface Known {
  run: Run | undefined;
  today: SiteToday | undefined;
  told: TimingNow | undefined;
  views: readonly TreeView[];
  /** Of the kind of wood that most trees are of. */
  lane: Lane | undefined;
}

export function useNextStep({ run, today, told, views, lane }: Known): NextStep | null {
  const clock = useClock();
  const { round, data: read } = useRound();
  const trees = useTrees().data?.trees;
  const care = useAftercare().data;
  if (!run || !today || !trees || !read || !care) return null;
  const cuts = cutsOnRecord(care.actions, today.site, today.day, (id) => care.disorders[id] ?? 'unknown');
  return nextStepOf({
    trees: trees.filter((tree) => tree.status !== 'removed').length,
    run,
    urgent: (isDryNow(told) && urgentTrees(views)[0]?.tree) || null,
    verdict: (lane && windowsAt(lane.windows, hourOf(clock())).open?.verdict) ?? 'wait',
    round: round ?? null,
    queue: round ? queueOf(round, trees) : null,
    rechecksDue: rechecksDue(cuts).length,
  });
}
