// The trees with open work as every list shows them: as the server lists them, and as this device lists those that were changed on it since. A list of
// another day or of other settings is shown until there is a newer one; where none is to be had, this device lists all that it knows.

import type { ListedPlan } from '@mortisect/core/plan';
import {
  asksForWork,
  inWalkingOrder,
  type SiteToday,
  type TreeView,
  treesWaiting,
  withLatest,
} from '@mortisect/core/present';
import type { Action } from '@mortisect/core/records';
import { type ListedTree, listedTreeOf, standIn } from '@mortisect/core/run';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { LISTED_TREES, listedTreesQuery, type ServerList } from './listedTrees';
import { useHere, useOpenWork, useRunActions, useSite, useTrees, useTreesHere, useWaiting } from './queries';
import { knownTrees, queryClient } from './queryClient';
import { MOST_UNASKED } from './quietly';
import { useTouched } from './touched';
import { usePlans } from './usePlan';
import { useToday, useUnits } from './useToday';
import { viewOf } from './views';

export interface Listed {
  today: SiteToday;
  /** In walking order. */
  trees: ListedTree[];
  latestActions: Action[];
  /** So many trees are planned, by a plan of before too, or will get none. */
  planned: number;
  /** All of them. */
  ready: boolean;
  /** Every plan is of its tree as it stands now. */
  current: boolean;
  /** Trees that could not be planned on this device. */
  failed: ListedTree['tree'][];
}

/** So few that the server has not planned yet are planned here. */
const FEW = 8;
const NO_IDS: string[] = [];
const NO_TREES: ListedTree[] = [];

export function useListedTrees(): { listed: Listed | null; error: Error | null; refetch(): unknown } {
  const today = useToday();
  const waiting = useWaiting();
  const here = useHere();
  const register = useTrees().data?.trees;
  const { list, isOlder, isLost, refetch } = useServerList(today);
  const unplanned = useMemo(
    () => list?.trees.flatMap(({ tree, current }) => (current ? [] : tree.id)) ?? NO_IDS,
    [list],
  );
  // A server that has only begun to plan; of a large orchard the records are more than a phone should read
  const isBehind = unplanned.length > FEW && (list?.trees.length ?? 0) <= MOST_UNASKED;
  const isWanted = isLost || isBehind;
  const work = useOpenWork(isWanted);
  // Until its records are read, a list of before is better than none
  const areAll = isWanted && (list === null || work.data !== undefined);
  const ownIds = useOwnIds(list, unplanned.length <= FEW ? unplanned : NO_IDS);
  const ownTrees = useTreesHere(areAll ? NO_IDS : ownIds);
  const details = areAll ? work.data?.trees : ownTrees;
  const views = useMemo(
    () =>
      (today ? (details ?? []) : [])
        .filter((detail) => asksForWork(detail, Number(today?.day.slice(0, 4))))
        .map((detail) => viewOf(detail, today as SiteToday)),
    [details, today],
  );
  const { plans, held, failed } = usePlans(views, today, areAll);
  const latest = (areAll ? work.data : list)?.latestActions;
  const listed = useMemo((): Listed | null => {
    if (!today || !details || !latest) return null;
    const server = areAll ? NO_TREES : (list?.trees ?? NO_TREES);
    const byServer = new Map(
      server.map((each) => [each.tree.id, isOlder ? { ...each, current: false } : each]),
    );
    const all = new Map(byServer);
    // What was changed here and asks for nothing any more
    for (const { tree } of details) all.delete(tree.id);
    for (const view of views) {
      const { id } = view.tree;
      const isHeld = held.has(id);
      const before = isHeld ? null : newestOf(listedLast.get(id), byServer.get(id));
      const own = listedHere(view, plans.get(id) ?? null, before, isHeld, today);
      if (isHeld) listedLast.set(id, { own, over: byServer.get(id) });
      all.set(id, own);
    }
    const walk = register?.map(({ id }) => id) ?? NO_IDS;
    const trees = inWalkingOrder([...all.values()], walk);
    const unable = new Set(failed.map(({ tree }) => tree.id));
    const planned = trees.filter(({ tree, due }) => due !== null || unable.has(tree.id)).length;
    return {
      ...{ today, trees, planned },
      latestActions: withLatest(latest, waiting, here),
      ready: planned === trees.length,
      current: trees.every(({ tree, current }) => current || unable.has(tree.id)),
      failed: failed.map(({ tree }) => tree),
    };
  }, [today, areAll, isOlder, list, details, latest, views, plans, held, failed, register, waiting, here]);
  return {
    listed,
    error: list === null && isLost ? work.error : null,
    refetch: () => Promise.all([refetch(), ...(isWanted ? [work.refetch()] : [])]),
  };
}

/** The server’s list; `isOlder` where it is not of today, or not of the settings as this device has them; `isLost` where no other is to be had. */
function useServerList(today: SiteToday | null) {
  const query = useQuery(listedTreesQuery(useUnits()));
  const site = useSite();
  const [askedFor, setAskedFor] = useState('');
  const { data, isFetching, isError, refetch } = query;
  const siteRevision = site.data?.revision;
  const stands = data !== undefined && data.day === today?.day && data.siteRevision === siteRevision;
  const wanted = `${data?.revision} ${today?.day} ${siteRevision}`;
  const isOther = data !== undefined && today !== null && !stands;
  const refetchSite = site.refetch;
  useEffect(() => {
    if (!isOther || isFetching || askedFor === wanted) return;
    setAskedFor(wanted);
    void Promise.all([refetch(), refetchSite()]);
  }, [isOther, isFetching, askedFor, wanted, refetch, refetchSite]);
  return {
    list: data ?? null,
    isOlder: isOther,
    isLost: today !== null && !stands && (isError || (isOther && !isFetching && askedFor === wanted)),
    refetch,
  };
}

/** Ids of the trees that this device lists itself; the same array as long as they are the same. */
function useOwnIds(list: ServerList | null, unplanned: readonly string[]): readonly string[] {
  const waiting = useWaiting();
  const touched = useTouched(({ at }) => at);
  const runActions = useRunActions().actions;
  const ids = useMemo(() => {
    const done = [...(list?.latestActions ?? []), ...(runActions ?? [])];
    const treeOfAction = (id: string) => {
      const action = done.find((each) => each.id === id)?.action;
      if (action && 'treeId' in action) return action.treeId;
      return knownTrees().find(({ actions }) => actions.some((each) => each.id === id))?.tree.id ?? null;
    };
    const changed = [...touched].flatMap(([id, at]) => (at >= (list?.askedAt ?? 0) ? id : []));
    const all = [...treesWaiting(waiting, treeOfAction), ...changed, ...unplanned];
    return [...new Set(all)].sort().join(' ');
  }, [list, runActions, waiting, touched, unplanned]);
  return useMemo(() => (ids === '' ? NO_IDS : ids.split(' ')), [ids]);
}

interface ListedLast {
  own: ListedTree;
  /** What the server’s list said of it then. */
  over: ListedTree | undefined;
}
/** How this device listed its trees last, by plans that held. */
const listedLast = new Map<string, ListedLast>();
// It goes with the list
queryClient.getQueryCache().subscribe(({ type, query }) => {
  if (type === 'removed' && query.queryKey[0] === LISTED_TREES[0]) listedLast.clear();
});

/**
 * The newest of what was listed of a tree. A list of the server that only waits for a plan tells of the tree as it was before this device planned
 * it; one that has come since and waits for none is newer.
 */
export function newestOf(
  last: ListedLast | undefined,
  server: ListedTree | undefined,
): ListedTree | undefined {
  return last && (last.over === server || !server?.current) ? last.own : server;
}

const made = new WeakMap<TreeView, { of: readonly unknown[]; listed: ListedTree }>();

/** As `listedTreeOf`, or as it stood in the list with what is done left out; the same object for the same. */
function listedHere(
  view: TreeView,
  plan: ListedPlan | null,
  before: ListedTree | null | undefined,
  isHeld: boolean,
  today: SiteToday,
): ListedTree {
  const of = [plan, before, isHeld];
  const known = made.get(view);
  if (known?.of.every((each, i) => each === of[i])) return known.listed;
  const listed = before ? standIn(before, view, today) : listedTreeOf(view, plan, today, isHeld);
  made.set(view, { of, listed });
  return listed;
}
