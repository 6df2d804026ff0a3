// Where the tree stands and how large it is.

import { heightReading, type Units } from '@mortisect/core/measure';
import type { TreeSummary } from '@mortisect/core/records';
import { joined } from '@mortisect/words/trade';
import { useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { Small } from '../../ui/type';

export function TreeFacts({ tree, units }: { tree: TreeSummary; units: Units }) {
  const say = useSay();
  const trees = useTrees().data;
  const row = trees?.rows.find((row) => row.id === tree.rowId);
  const plot = trees?.plots.find((plot) => plot.id === tree.plotId);
  const facts = [
    ...(plot && row
      ? [
          say('round.placeFromTreeToTree', {
            plot: plot.name,
            row: row.name,
            place: tree.place,
            height: joined(say, heightReading(row.spacingCm, units)),
          }),
        ]
      : []),
    say('round.highWide', {
      height: joined(say, heightReading(tree.heightCm, units)),
      height2: joined(say, heightReading(tree.spreadCm, units)),
    }),
    ...(tree.rootstock ? [say('round.on', { rootstock: tree.rootstock })] : []),
    ...(tree.susceptible ? [say('round.susceptibleCultivar')] : []),
    ...(tree.latitude !== null && tree.longitude !== null ? [`${tree.latitude}°, ${tree.longitude}°`] : []),
  ];
  return <Small>{facts.join(' · ')}</Small>;
}
