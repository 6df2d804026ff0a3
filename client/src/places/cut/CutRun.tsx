// The saw-side run: one card a step. Clean the blade, make the cut, go on.
import { useState } from 'react';
import type { TreeView } from '../../data/orchardView';
import { useOpenViews } from '../../data/useOpenViews';
import { type Solved, usePlans } from '../../data/usePlan';
import { Waiting } from '../../ui/Waiting';
import { CleanCard } from './CleanCard';
import { CutCard } from './CutCard';
import { RunDone } from './RunDone';
import { runOf } from './run';

export function CutRun() {
  const { open, error, refetch } = useOpenViews();
  const { plans, ready } = usePlans(open?.views ?? NONE, open?.today ?? null);
  // A run is made from the plans of all its trees
  if (!open || !ready) return <Waiting title="Cut" error={error} onRetry={refetch} />;
  return <Running {...open} plans={plans} />;
}

const NONE: TreeView[] = [];
type OpenViews = NonNullable<ReturnType<typeof useOpenViews>['open']>;

function Running({ views, latestActions, today, plans }: OpenViews & { plans: Map<string, Solved> }) {
  const run = runOf(views, plans, latestActions, today);
  // The day's number of cuts is fixed when the run is opened, so that "2 of 4" does not shrink as it goes.
  const [of] = useState(run.madeToday + run.left.length);
  const count = { at: run.madeToday + 1, of: Math.max(of, run.madeToday + run.left.length) };
  if (run.item === null || run.step.do === 'done') return <RunDone run={run} today={today} />;
  if (run.step.do === 'clean')
    return (
      <CleanCard
        key={`clean-${run.item.id}`}
        run={run}
        item={run.item}
        why={run.step.why}
        today={today}
        count={count}
      />
    );
  return <CutCard key={run.item.id} run={run} item={run.item} today={today} count={count} />;
}
