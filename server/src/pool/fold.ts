// The present folded from a whole history, on a worker: both go there and back in pieces.
import { fold as folded, type Present } from '@mortisect/core/present';
import { joined, type Slices, slicesGivingWay, slicesOf, unsliced } from './slices';

const maps = ['plots', 'rows', 'trees', 'findings', 'actions', 'jobs'] as const satisfies (keyof Present)[];

export interface FoldedSlices extends Pick<Present, 'site' | 'aside'> {
  maps: Record<(typeof maps)[number], Slices>;
}

export function fold({ lines }: { lines: Slices }): FoldedSlices {
  const present = folded(unsliced(lines));
  const { site, aside } = present;
  return {
    site,
    aside,
    maps: Object.fromEntries(
      maps.map((name) => [name, slicesOf([...present[name]])]),
    ) as FoldedSlices['maps'],
  };
}

/** @param onWorker folds there */
export async function foldOff(
  lines: readonly unknown[],
  onWorker: (task: { lines: Slices }) => Promise<FoldedSlices>,
): Promise<Present> {
  const { site, aside, maps: sliced } = await onWorker({ lines: await slicesGivingWay(lines) });
  const entries: [string, Map<unknown, unknown>][] = [];
  for (const name of maps) entries.push([name, new Map(await joined<[unknown, unknown]>(sliced[name]))]);
  return { site, aside, ...Object.fromEntries(entries) } as Present;
}
