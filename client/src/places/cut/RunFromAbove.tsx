// The trees of a run from above, numbered as they are visited: a tap takes one in or leaves it out, an area takes several.
import type { Stop } from '@mortisect/core/run';
import { useSay } from '../../data/useSay';
import { OrchardPlan } from '../../drawings/OrchardPlan';
import { useOrchardPlan } from '../useOrchardPlan';
import { ringsOf, useRunMarks } from './runMarks';

const HEIGHT_PX = 460;

interface RunFromAboveProps {
  /** All that have cuts. */
  stops: readonly Stop[];
  /** Those that are chosen, in the order they are visited. */
  inRun: readonly Stop[];
  onToggle(treeIds: string[]): void;
}

export function RunFromAbove({ stops, inRun, onToggle }: RunFromAboveProps) {
  const say = useSay();
  const plan = useOrchardPlan();
  const trees = useRunMarks(stops, inRun);
  if (!plan) return null;
  const has = new Set(stops.map(({ tree }) => tree.id));
  const toggle = (treeIds: string[]) => {
    const able = treeIds.filter((id) => has.has(id));
    if (able.length > 0) onToggle(able);
  };
  return (
    <OrchardPlan
      plan={plan}
      trees={trees}
      label={say('shared.orchardFromAbove', { trees: trees.size })}
      height={HEIGHT_PX}
      hint={say('shared.tapTakesIn')}
      marks={ringsOf(say)}
      onOpen={(treeId) => toggle([treeId])}
      onArea={toggle}
    />
  );
}
