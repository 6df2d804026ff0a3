// The trees of a run from above, numbered as they are visited: a tap takes one in or leaves it out, an area takes several.
import type { Stop } from '@mortisect/core/run';
import { told } from '@mortisect/words/trade';
import { useMemo } from 'react';
import { useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { OrchardPlan } from '../../drawings/OrchardPlan';
import type { TreeMark, TreeOnPlan } from '../../drawings/treeMarks';
import { useOrchardPlan } from '../useOrchardPlan';

const RING = { sound: 'whole', suspect: 'broken', infected: 'dotted' } as const;
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
  const register = useTrees().data;
  const plan = useOrchardPlan();
  const trees = useMemo(() => {
    const byId = new Map(stops.map((stop) => [stop.view.tree.id, stop]));
    const numbers = new Map(inRun.map(({ view }, i) => [view.tree.id, i + 1]));
    return new Map(
      (register?.trees ?? []).map(({ id, code }): [string, TreeOnPlan] => {
        const [stop, number] = [byId.get(id), numbers.get(id)];
        const mark: TreeMark = {
          ring: stop ? RING[stop.wood] : 'thin',
          has: stop ? 'cut' : 'nothing',
          warns: false,
        };
        const says = stop
          ? `${say('cut.cuts2', { items: stop.items.length })}, ${told(say, stop.wood)}`
          : say('cut.nothingToCutHere');
        return [id, { code, mark, says, ...(number !== undefined && { number }) }];
      }),
    );
  }, [register, stops, inRun, say]);
  if (!plan) return null;
  const has = new Set(stops.map(({ view }) => view.tree.id));
  const toggle = (treeIds: string[]) => {
    const able = treeIds.filter((id) => has.has(id));
    if (able.length > 0) onToggle(able);
  };
  const legend = (ring: TreeMark['ring'], says: string) => ({
    mark: { ring, has: 'cut' as const, warns: false },
    says,
  });
  return (
    <OrchardPlan
      plan={plan}
      trees={trees}
      label={say('shared.orchardFromAbove', { trees: trees.size })}
      height={HEIGHT_PX}
      hint={say('shared.tapTakesIn')}
      marks={(['sound', 'suspect', 'infected'] as const).map((wood) => legend(RING[wood], told(say, wood)))}
      onOpen={(treeId) => toggle([treeId])}
      onArea={toggle}
    />
  );
}
