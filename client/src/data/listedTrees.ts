// Trees with work as the server lists them: a hundredth of their records, and nothing left to plan.

import type { Units } from '@mortisect/core/measure';
import { type Here, type Waiting, withChangedTrees, withLatest } from '@mortisect/core/present';
import { type Answer, ask } from './api';
import { usePreferences } from './preferences';
import { queryClient } from './queryClient';
import { unitsOfDevice } from './unitsOfDevice';
import { useWords } from './useSay';

/** `askedAt`, ms: what the server had taken by then is in it. None where it was read in an earlier visit. */
export type ServerList = Answer<'getListedTrees'> & { askedAt?: number };
export const LISTED_TREES = ['listed-trees'];
let reads = 0;

export const listedTreesQuery = (units: Units) => ({
  queryKey: [...LISTED_TREES, units],
  queryFn: () => read(units),
});

/** As `useUnits` has them, for what is read before anything is drawn. */
export function unitsHere(): Units {
  const ofSite = queryClient.getQueryData<Answer<'getSite'>>(['site'])?.site.units;
  return unitsOfDevice(usePreferences.getState().units, ofSite, useWords.getState().say.locale);
}

/** Only what changed since it was read last is asked for. An answer that a later read has overtaken is from before what was sent meanwhile: it keeps nothing. */
async function read(units: Units): Promise<ServerList> {
  const turn = ++reads;
  const askedAt = Date.now();
  const queryKey = [...LISTED_TREES, units];
  const known = () => queryClient.getQueryData<ServerList>(queryKey);
  const changes = await ask('getListedTrees', { query: { units, since: known()?.revision } });
  const before = known();
  if (turn !== reads && before) return before;
  // A long answer is known by itself, not by a copy
  if (changes.whole || !before) return Object.assign(changes, { askedAt });
  return { ...changes, askedAt, whole: true, gone: [], trees: withChangedTrees(before.trees, changes) };
}

/** The server took these: what was done last says so before it is read anew. */
export function listTaken(waiting: readonly Waiting[], here: Here): void {
  queryClient.setQueriesData<ServerList>(
    { queryKey: LISTED_TREES },
    (listed) => listed && { ...listed, latestActions: withLatest(listed.latestActions, waiting, here) },
  );
}
