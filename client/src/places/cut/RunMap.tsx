// The plot that one stands in while cutting: the trees of the run numbered as they are visited, the one at hand lit.
import type { Run } from '@mortisect/core/run';
import { useSay } from '../../data/useSay';
import { OrchardPlan } from '../../drawings/OrchardPlan';
import { useOrchardPlan } from '../useOrchardPlan';
import { ringsOf, useRunMarks } from './runMarks';

/** It stands beside the card, or under it on a phone. */
const HEIGHT_PX = 300;

export function RunMap({ run }: { run: Run }) {
  const say = useSay();
  const at = (run.item ?? run.stops[0]?.items[0])?.tree;
  const plan = useOrchardPlan(at?.plotId ?? '');
  const trees = useRunMarks(run.stops, run.stops);
  if (!plan || !at) return null;
  return (
    <OrchardPlan
      key={at.id}
      plan={plan}
      trees={trees}
      label={say('cut.runFromAbove', { plot: at.plot, trees: run.stops.length })}
      height={HEIGHT_PX}
      marks={ringsOf(say)}
      atFirst={at.id}
    />
  );
}
