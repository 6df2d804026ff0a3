// Where the tree stands and how large it is.

import { heightReading, joined, type Units } from '@mortisect/core/measure';
import type { TreeSummary } from '@mortisect/core/records';
import { useTrees } from '../../data/queries';
import { Small } from '../../ui/type';

export function TreeFacts({ tree, units }: { tree: TreeSummary; units: Units }) {
  const trees = useTrees().data;
  const row = trees?.rows.find((row) => row.id === tree.rowId);
  const plot = trees?.plots.find((plot) => plot.id === tree.plotId);
  const facts = [
    ...(plot && row
      ? [
          `${plot.name}, ${row.name}, place ${tree.place}, ${joined(heightReading(row.spacingCm, units))} from tree to tree`,
        ]
      : []),
    `${joined(heightReading(tree.heightCm, units))} high, ${joined(heightReading(tree.spreadCm, units))} wide`,
    ...(tree.rootstock ? [`on ${tree.rootstock}`] : []),
    ...(tree.susceptible ? ['susceptible cultivar'] : []),
    ...(tree.latitude !== null && tree.longitude !== null ? [`${tree.latitude}°, ${tree.longitude}°`] : []),
  ];
  return <Small>{facts.join(' · ')}</Small>;
}
