// The plot with the trees of the run, numbered as they are visited.

import { groundPlaces } from '@mortisect/core/register';
import type { Run, Stop } from '@mortisect/core/run';
import { useTrees } from '../../data/queries';
import { PlotMap } from '../../drawings/PlotMap';

interface RunMapProps {
  run: Run;
  /** Those that are chosen; all of the run where it is not said. */
  stops?: Stop[];
}

export function RunMap({ run, stops = run.stops }: RunMapProps) {
  const register = useTrees().data;
  const at = (run.open ? run.item : null)?.view.tree ?? (stops[0] ?? run.stops[0])?.view.tree;
  if (!register || !at) return null;
  const rows = register.rows.filter((row) => row.plotId === at.plotId);
  const trees = register.trees.filter((tree) => tree.plotId === at.plotId && tree.status !== 'removed');
  const places = groundPlaces(rows, trees);
  const order = new Map(stops.map((stop, i) => [stop.view.tree.id, { number: i + 1, wood: stop.wood }]));
  return (
    <PlotMap
      title={at.plot}
      rows={rows.map(({ id, name }) => ({
        name,
        trees: trees.flatMap((tree) => {
          const place = places.get(tree.id);
          return tree.rowId === id && place ? [{ code: tree.code, ...place, ...order.get(tree.id) }] : [];
        }),
      }))}
      here={at.code}
    />
  );
}
