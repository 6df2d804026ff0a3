// How open a crown is, computed in a worker; the answer of a crown that has not changed is not computed again.

import { shadesOf } from '@mortisect/core/present';
import type { TreeDetail } from '@mortisect/core/records';
import type { Limb } from '@mortisect/core/tree';
import { useQuery } from '@tanstack/react-query';
import { type Remote, wrap } from 'comlink';
import { useMemo } from 'react';
import type { OpennessWork } from '../workers/openness.worker';
import { COMPUTED_HERE } from './queryClient';

const THROWS = 2000;
let remote: Remote<OpennessWork> | null = null;

function worker(): Remote<OpennessWork> {
  remote ??= wrap<OpennessWork>(new Worker(new URL('../workers/openness.worker', import.meta.url)));
  return remote;
}

/**
 * Seeded by the tree, so that the same crown always gives the same figures.
 *
 * @param detail as it was recorded: its limbs are the crown as it grew, before any cut
 */
export function useOpenness(
  { tree, actions, limbs: crown }: Pick<TreeDetail, 'tree' | 'actions' | 'limbs'>,
  limbs: Limb[],
) {
  const shades = useMemo(() => shadesOf(actions), [actions]);
  const seed = [...tree.id].reduce((hash, letter) => (hash * 31 + letter.charCodeAt(0)) % 2_147_483_647, 7);
  return useQuery({
    queryKey: ['openness', seed, limbs, crown, shades],
    queryFn: () => worker().openness(limbs, THROWS, seed, crown, shades),
    staleTime: Number.POSITIVE_INFINITY,
    ...COMPUTED_HERE,
  });
}
