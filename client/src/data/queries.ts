// What the server knows, by TanStack Query, with what waits on this device laid over it.

import {
  actionsWaiting,
  openRound,
  openWorkWith,
  treesWith,
  type Waiting,
  withActions,
  withChanges,
  withWaiting,
} from '@mortisect/core/present';
import type { Action, TreeDetail } from '@mortisect/core/records';
import {
  CancelledError,
  type UseQueryResult,
  useInfiniteQuery,
  useQueries,
  useQuery,
} from '@tanstack/react-query';
import { useMemo } from 'react';
import { type Answer, ask, askTimed, NoAnswer } from './api';
import { changesAreTold } from './changes';
import { keptPlansQuery } from './keptPlans';
import { listedTreesQuery, unitsHere } from './listedTrees';
import { aheadAfter, orchardNow } from './moment';
import { useOutbox } from './outbox';
import { waitingOf } from './pending';
import { usePreferences } from './preferences';
import { COMPUTED_HERE, keepOnDevice, knownTrees, queryClient, sinceLoaded, walkKnown } from './queryClient';
import { seasonTodayQuery } from './seasonPlan';

/** Who sets the clock of a device goes elsewhere for it and comes back to this page. */
export const healthQuery = { queryKey: ['health'], queryFn: health };
export const useHealth = () =>
  useQuery({ ...healthQuery, staleTime: sinceLoaded(CLOCK_FRESH_MS), refetchOnWindowFocus: 'always' });
export const useFirstSync = () =>
  useQuery({ queryKey: ['first-sync'], queryFn: () => ask('getFirstSync', {}) });
export const sessionQuery = { queryKey: ['session'], queryFn: () => ask('getSession', {}), staleTime: 0 };
export const useSession = () => useQuery(sessionQuery);
export const siteQuery = { queryKey: ['site'], queryFn: () => ask('getSite', {}) };
export const useSite = () => useQuery(siteQuery);
const CLOCK_FRESH_MS = 10 * 60_000;
/** Other people’s trees and counts show within this time; one’s own at once. */
const REGISTER_FRESH_MS = 60_000;

export const treesQuery = {
  queryKey: ['trees'],
  queryFn: () => ask('getTrees', {}),
  staleTime: REGISTER_FRESH_MS,
};

/**
 * As it stands here. Whoever uses it is drawn anew when it or a fault changes: of a query with all that it tells, it would be each time that something is
 * asked for.
 */
function readAs<T>(data: T, { error, refetch }: Pick<UseQueryResult, 'error' | 'refetch'>) {
  return { data, error, refetch };
}

/** Is it read for the first time, and nothing in the way of it? Without a server nobody waits. */
export const isBeingRead = (query: Pick<UseQueryResult, 'isLoading' | 'failureCount'>): boolean =>
  query.isLoading && query.failureCount === 0;

export function useTrees() {
  const query = useQuery(treesQuery);
  const waiting = useWaiting();
  const data = useMemo(() => query.data && treesWith(query.data, waiting), [query.data, waiting]);
  return readAs(data, query);
}

/**
 * A tree that was never opened on this device stands in its list of open work all the same: without the server it is shown from there.
 *
 * @throws {NoAnswer} when the server is away and the device knows nothing of the tree
 */
async function askTree(treeId: string): Promise<TreeDetail> {
  try {
    return await ask('getTree', { params: { treeId } });
  } catch (error) {
    const isRead = queryClient.getQueryData(['tree', treeId]) !== undefined;
    if (isRead || !(error instanceof NoAnswer)) throw error;
    const listed = (await openWorkHere())?.trees.find(({ tree }) => tree.id === treeId);
    if (!listed) throw error;
    return listed;
  }
}

/** The open work as it was read last, in an earlier visit too. */
async function openWorkHere(): Promise<Answer<'getOpenWork'> | undefined> {
  const known = queryClient.getQueryData<Answer<'getOpenWork'>>(OPEN_WORK);
  const kept = () => queryClient.fetchQuery({ ...openWorkQuery, retry: false });
  return known ?? kept().catch(() => undefined);
}

const treeQuery = (treeId: string) => ({ queryKey: ['tree', treeId], queryFn: () => askTree(treeId) });

/** @param asked false where there is no tree to ask for */
export function useTree(treeId: string, asked = true) {
  const query = useQuery({ ...treeQuery(treeId), enabled: asked });
  const waiting = useWaiting();
  const here = useHere();
  const data = useMemo(
    () => query.data && withWaiting(query.data, waiting, here),
    [query.data, waiting, here],
  );
  return readAs(data, query);
}

const OPEN_WORK = ['open-work'];
let openWorkReads = 0;

/**
 * Only what changed since it was read last is asked for. Its trees are kept one by one too, so that a cut that is taken back finds its tree at once. An answer that a later read has overtaken is
 * from before what was sent meanwhile: it keeps nothing.
 */
async function readOpenWork(): Promise<Answer<'getOpenWork'>> {
  const read = ++openWorkReads;
  const began = Date.now();
  const since = queryClient.getQueryData<Answer<'getOpenWork'>>(OPEN_WORK)?.revision;
  const changes = await ask('getOpenWork', { query: { since } });
  // As it stands by now: what was sent meanwhile has been laid over it
  const before = queryClient.getQueryData<Answer<'getOpenWork'>>(OPEN_WORK);
  if (read !== openWorkReads && before) return before;
  for (const detail of changes.trees) takeTree(detail, began);
  return withChanges(before ?? changes, changes, walkKnown());
}

/**
 * A tree that came with others.
 *
 * @param began when they were asked for: what has been read or sent of it since is newer
 * @returns its key
 */
function takeTree(detail: TreeDetail, began: number): readonly string[] {
  const queryKey = ['tree', detail.tree.id];
  const known = queryClient.getQueryState(queryKey);
  const isNewer = known?.data !== undefined && known.dataUpdatedAt >= began;
  if (!isNewer) queryClient.setQueryData(queryKey, detail);
  return queryKey;
}

export const openWorkQuery = { queryKey: OPEN_WORK, queryFn: readOpenWork };

/** @param asked false where nobody needs all of it */
export function useOpenWork(asked = true) {
  const query = useQuery({ ...openWorkQuery, enabled: asked });
  const waiting = useWaiting();
  const here = useHere();
  const trees = useTrees().data?.trees;
  const marked = useMarkedHere(waiting);
  const data = useMemo(() => {
    if (!asked) return undefined;
    const walk = trees?.map((tree) => tree.id) ?? [];
    const listed = new Set(marked.map(({ tree }) => tree.id));
    const known = [...marked, ...knownTrees().filter(({ tree }) => !listed.has(tree.id))];
    return query.data && openWorkWith(query.data, known, walk, waiting, here);
  }, [asked, query.data, trees, marked, waiting, here]);
  return readAs(data, query);
}

/** The trees that findings wait on: after a reload they are on the device and not yet in hand. */
function useMarkedHere(waiting: readonly Waiting[]): TreeDetail[] {
  const treeIds = new Set(
    waiting.flatMap(({ value }) => (value.kind === 'finding' ? value.finding.treeId : [])),
  );
  return useQueries({
    queries: [...treeIds].map((treeId) => ({ ...treeQuery(treeId), staleTime: Number.POSITIVE_INFINITY })),
    combine: inHand,
  });
}
const inHand = (queries: { data: TreeDetail | undefined }[]) => queries.flatMap(({ data }) => data ?? []);

/**
 * Trees one by one as they are known here, with what waits laid over them; those that are not are read.
 *
 * @param ids the same array as long as the same trees are asked for
 */
export function useTreesHere(ids: readonly string[]): TreeDetail[] {
  const waiting = useWaiting();
  const here = useHere();
  const found = useQueries({ queries: ids.map(treeQuery), combine: inHand });
  return useMemo(() => found.map((detail) => withWaiting(detail, waiting, here)), [found, waiting, here]);
}

/** Trees that somebody is about to come to, so that signal may be gone there. */
export function useReadTrees(ids: readonly string[]): void {
  useQuery({
    queryKey: ['read-trees', ids],
    queryFn: async () => {
      // One after another: a phone on a thin line should still answer the thumb
      for (const id of ids)
        await queryClient.prefetchQuery({ ...treeQuery(id), staleTime: REGISTER_FRESH_MS });
      return ids.length;
    },
    enabled: ids.length > 0,
    staleTime: Number.POSITIVE_INFINITY,
    ...COMPUTED_HERE,
  });
}

/** What was done, with what waits here laid over it. */
function useActionsHere(actions: readonly Action[] | undefined): Action[] | undefined {
  const waiting = useWaiting();
  const here = useHere();
  return useMemo(
    () => actions && withActions(actions, actionsWaiting(waiting, here)),
    [actions, waiting, here],
  );
}

export const roundQuery = { queryKey: ['round'], queryFn: () => ask('getRound', {}) };

/** The round that is open, with what was done here and waits. */
export function useRound() {
  const query = useQuery({ ...roundQuery, refetchInterval: sharedEvery });
  const actions = useActionsHere(query.data?.actions);
  const round = useMemo(() => actions && openRound(actions), [actions]);
  return { ...readAs(query.data, query), round, closed: round ? null : lastClose(actions) };
}
function lastClose(actions: readonly Action[] | undefined): Action | null {
  return actions?.findLast(({ action, undone }) => action.kind === 'roundClosed' && !undone) ?? null;
}

export const runQuery = { queryKey: ['run'], queryFn: () => ask('getRun', {}) };

/** What was done in the run that is open and with the blades, with what waits here. */
export function useRunActions() {
  const query = useQuery({ ...runQuery, refetchInterval: sharedEvery });
  const actions = useActionsHere(query.data?.actions);
  const { error, refetch } = query;
  return { actions, error, refetch, isBeingRead: isBeingRead(query) };
}

const aftercare = { queryKey: ['aftercare'], queryFn: () => ask('getAftercare', {}) };

/** Cuts of the last years and what was seen of them again, with what waits here. */
export function useAftercare() {
  const query = useQuery(aftercare);
  const actions = useActionsHere(query.data?.actions);
  const data = useMemo(() => query.data && actions && { ...query.data, actions }, [query.data, actions]);
  return readAs(data, query);
}

/** How soon one phone sees what another has walked, where the server cannot tell it. */
const SHARED_EVERY_MS = 20_000;
const TOLD_EVERY_MS = 5 * 60_000;
const sharedEvery = () => (changesAreTold() ? TOLD_EVERY_MS : SHARED_EVERY_MS);

const people = { queryKey: ['people'], queryFn: () => ask('getPeople', {}) };
const jobs = { queryKey: ['jobs'], queryFn: () => ask('getJobs', {}) };
export const usePeople = () => useQuery(people);
export const useJobs = () => useQuery(jobs);

/** One tree, from the device where it was read lately. */
export async function readTree(treeId: string): Promise<TreeDetail> {
  try {
    return await queryClient.fetchQuery(treeQuery(treeId));
  } catch (error) {
    // Overtaken by a change that was told meanwhile
    if (error instanceof CancelledError) return readTree(treeId);
    throw error;
  }
}

/**
 * Reads all trees of these plots onto the device, and what Today, Plan and Cut go by, so that the day goes on without signal.
 *
 * @throws what the first that could not be read failed with, once all were tried
 */
export async function readPlots(plotIds: readonly string[]): Promise<void> {
  const failed: unknown[] = [];
  const note = (error: unknown) => failed.push(error);
  // One after another: a phone on a thin line should still answer the thumb
  for (const plotId of plotIds) await readPlot(plotId).catch(note);
  const rest = [
    ...[listedTreesQuery(unitsHere()), openWorkQuery, keptPlansQuery(queryClient)],
    ...[runQuery, aftercare, people, jobs, timingQuery, seasonTodayQuery],
  ];
  for (const query of rest) await queryClient.fetchQuery<unknown>(query).catch(note);
  if (failed.length > 0) throw failed[0];
}

async function readPlot(plotId: string): Promise<void> {
  const began = Date.now();
  const { trees } = await ask('getPlotTrees', { params: { plotId } });
  for (const detail of trees) await keepOnDevice(takeTree(detail, began));
}

/**
 * The trees of a round come onto every device that opens it, without being asked for: signal may be gone at the next tree.
 *
 * @param roundId null while no round is walked
 */
export function useReadAhead(roundId: string | null, plotIds: readonly string[]) {
  return useQuery({
    queryKey: ['read-ahead', roundId ?? '', plotIds],
    queryFn: async () => {
      await readPlots(plotIds);
      return { plots: plotIds.length };
    },
    enabled: roundId !== null,
    staleTime: Number.POSITIVE_INFINITY,
    refetchOnReconnect: true,
  });
}

/** What waits on this device, as lines of the history to come. */
export function useWaiting() {
  const items = useOutbox((outbox) => outbox.items);
  return waitingOf(items);
}

export function useHere() {
  const person = usePreferences((preferences) => preferences.person);
  const aheadMs = useHealth().data?.aheadMs;
  return useMemo(() => ({ person, now: orchardNow(aheadMs) }), [person, aheadMs]);
}

/** The hour turns, a forecast is renewed: read anew within this time. */
const DAYS_FRESH_MS = 10 * 60_000;

export const timingQuery = {
  queryKey: ['timing', 'site'],
  queryFn: () => ask('getTiming', {}),
  staleTime: DAYS_FRESH_MS,
};

/** What the weather says of the next ten days. */
export const useTiming = () => useQuery({ ...timingQuery, refetchInterval: DAYS_FRESH_MS });

export interface CutAsked {
  mm: number;
  crownShare: number;
}

export const useTreeTiming = (treeId: string, cut: CutAsked, at: string | null) =>
  useQuery({
    queryKey: ['timing', treeId, cut, at],
    queryFn: ({ signal }) =>
      ask('getTreeTiming', { params: { treeId }, query: { ...cut, ...(at && { at }) } }, signal),
    staleTime: DAYS_FRESH_MS,
    placeholderData: (before) => before,
  });

export const useTreeSeason = (treeId: string, cut: CutAsked) =>
  useQuery({
    queryKey: ['timing', 'season', treeId, cut],
    queryFn: ({ signal }) => ask('getTreeSeason', { params: { treeId }, query: { ...cut } }, signal),
    staleTime: DAYS_FRESH_MS,
  });

export const useWeather = (days: number) =>
  useQuery({
    queryKey: ['timing', 'weather', days],
    queryFn: () => ask('getWeather', { query: { days } }),
    staleTime: DAYS_FRESH_MS,
  });

export const useField = () =>
  useQuery({ queryKey: ['field'], queryFn: () => ask('getField', {}), staleTime: COPIES_FRESH_MS });
export const SESSIONS = ['sessions'];
export const useSessions = () =>
  useQuery({ queryKey: SESSIONS, queryFn: () => ask('getSessions', {}), staleTime: 0 });
/** They change once a day; what one asked for shows at once. */
const COPIES_FRESH_MS = 5 * 60_000;
export const COPIES = ['copies'];
export const useCopies = () =>
  useQuery({ queryKey: COPIES, queryFn: () => ask('getCopies', {}), staleTime: COPIES_FRESH_MS });
export const useDeletedTrees = () =>
  useQuery({ queryKey: ['deleted-trees'], queryFn: () => ask('getDeletedTrees', {}) });
/** Photos that no finding shows any more, without those that one shows that waits here. */
export function useRemovedPhotos() {
  const query = useQuery({ queryKey: ['removed-photos'], queryFn: () => ask('getRemovedPhotos', {}) });
  const waiting = useWaiting();
  const data = useMemo(() => {
    const shown = new Set(
      waiting.flatMap(({ value }) => (value.kind === 'finding' ? value.finding.photoIds : [])),
    );
    return (
      query.data && { ...query.data, photos: query.data.photos.filter(({ photoId }) => !shown.has(photoId)) }
    );
  }, [query.data, waiting]);
  return readAs(data, query);
}
export const useStations = () => useQuery({ queryKey: ['stations'], queryFn: () => ask('getStations', {}) });
export const useCalendarPath = () =>
  useQuery({ queryKey: ['calendar'], queryFn: () => ask('getCalendarPath', {}) });

/** @param tree only what was recorded of this tree */
export const useLog = (tree: string | undefined) =>
  useInfiniteQuery({
    queryKey: ['log', ...(tree === undefined ? [] : [tree])],
    queryFn: ({ pageParam }) =>
      ask('getLog', {
        query: {
          ...(pageParam !== null && { before: pageParam }),
          ...(tree !== undefined && { tree }),
          limit: 50,
        },
      }),
    initialPageParam: null as number | null,
    getNextPageParam: (page: Answer<'getLog'>) => (page.more ? (page.entries.at(-1)?.seq ?? null) : null),
  });

/** With how far the server's clock is ahead of this one: the orchard goes by the server's. */
async function health() {
  const { answer, askedAt, answeredAt } = await askTimed('health', {});
  const { now, ...more } = answer;
  const known = queryClient.getQueryData<{ aheadMs: number }>(['health'])?.aheadMs;
  return { ...more, aheadMs: aheadAfter({ askedAt, answeredAt, serverAt: Date.parse(now) }, known) };
}
