// The trees of a run as they are drawn from above: the ring says what their wood is, the number when they are visited.
import type { Stop } from '@mortisect/core/run';
import type { Say } from '@mortisect/words';
import { told } from '@mortisect/words/trade';
import { useMemo } from 'react';
import { useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import type { TreeMark, TreeOnPlan } from '../../drawings/treeMarks';

const RING = { sound: 'whole', suspect: 'broken', infected: 'dotted' } as const;

/**
 * Every tree of the register by its id.
 *
 * @param stops all that have cuts
 * @param inRun those that are in the run, in the order they are visited
 */
export function useRunMarks(stops: readonly Stop[], inRun: readonly Stop[]): ReadonlyMap<string, TreeOnPlan> {
  const say = useSay();
  const register = useTrees().data;
  return useMemo(() => {
    const byId = new Map(stops.map((stop) => [stop.tree.id, stop]));
    const numbers = new Map(inRun.map(({ tree }, i) => [tree.id, i + 1]));
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
}

/** What the rings mean. */
export const ringsOf = (say: Say) =>
  (['sound', 'suspect', 'infected'] as const).map((wood) => ({
    mark: { ring: RING[wood], has: 'cut' as const, warns: false },
    says: told(say, wood),
  }));
