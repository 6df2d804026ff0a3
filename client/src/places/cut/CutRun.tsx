// The saw-side run: one card a step. Clean the blade, make the cut, go on.
import { useState } from 'react';
import type { SiteToday } from '../../data/orchardView';
import { treeView } from '../../data/orchardView';
import { useOpenWork } from '../../data/queries';
import { useToday } from '../../data/useToday';
import { Waiting } from '../../ui/Waiting';
import { CleanCard } from './CleanCard';
import { CutCard } from './CutCard';
import { RunDone } from './RunDone';
import { runOf } from './run';

export function CutRun() {
  const { data, error, refetch } = useOpenWork();
  const today = useToday();
  if (!data || !today) return <Waiting title="Cut" error={error} onRetry={refetch} />;
  return <Running data={data} today={today} />;
}

type OpenWork = NonNullable<ReturnType<typeof useOpenWork>['data']>;

function Running({ data, today }: { data: OpenWork; today: SiteToday }) {
  const views = data.trees.map((detail) => treeView(detail, today));
  const run = runOf(views, data.latestActions, today);
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
