// What Today, Plan and Cut are made from: read as soon as somebody is about to look at one of them.
import { listedTreesQuery, unitsHere } from './listedTrees';
import { runQuery, siteQuery, timingQuery } from './queries';
import { queryClient } from './queryClient';

/** The longest first. */
export function readForLists(): void {
  for (const query of [listedTreesQuery(unitsHere()), timingQuery, runQuery, siteQuery])
    void queryClient.prefetchQuery<unknown>(query);
}
