// The list of trees with work, read when somebody plans: the router reads the frames of all places at once.
import { lazy, Suspense } from 'react';
import { useSay } from '../../data/useSay';
import { Waiting } from '../../ui/Waiting';
import type { PlanListProps } from './PlanList';

const PlanList = lazy(() => import('./PlanList').then((read) => ({ default: read.PlanList })));

export function PlanListRead(props: PlanListProps) {
  const say = useSay();
  return (
    <Suspense fallback={<Waiting title={say('shared.plan')} beside />}>
      <PlanList {...props} />
    </Suspense>
  );
}
