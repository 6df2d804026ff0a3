// Server state, by TanStack Query. Writes are idempotent, so they may be tried again.
import {
  type ActionBody,
  type FindingBody,
  type JobBody,
  openRound,
  type Site,
  type SiteRecord,
  type TreeBody,
  type TreeDetail,
} from '@mortisect/contracts';
import type { Limb } from '@mortisect/core/tree';
import { experimental_createQueryPersister } from '@tanstack/query-persist-client-core';
import {
  MutationCache,
  QueryCache,
  QueryClient,
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query';
import { clear, createStore, del, entries, get, set } from 'idb-keyval';
import { useMemo } from 'react';
import { v7 } from 'uuid';
import { type Answer, type Ask, ask, NoAnswer, ServerProblem } from './api';
import { emptyOutbox, enqueue, type OutboxItem, useOutbox } from './outbox';
import { openWorkWith, pendingActions, treesWith, withActions, withPending } from './pending';
import { usePreferences } from './preferences';

/** Raised when the shape of what is read changes: what an older app has kept is read anew then. */
const KEPT_SHAPE = '2';
const KEPT_DAYS = 30;
const keptStore = typeof indexedDB === 'undefined' ? undefined : createStore('mortisect-read', 'queries');
const kept = {
  getItem: (key: string) => get(key, keptStore),
  setItem: (key: string, value: unknown) => set(key, value, keptStore),
  removeItem: (key: string) => del(key, keptStore),
  entries: () => entries<string, never>(keptStore),
};

/** A session that has run out is asked about again, which brings the sign-in. */
const onError = (error: unknown) => {
  if (error instanceof ServerProblem && error.problem.status === 401) askSession();
};

export function askSession(): void {
  void queryClient.invalidateQueries({ queryKey: ['session'] });
}

/** What was read stays on the device, each query by itself, so that the app opens and the round goes on without the server. */
const persister = experimental_createQueryPersister({
  storage: typeof indexedDB === 'undefined' ? undefined : kept,
  serialize: (query) => query as never,
  deserialize: (query) => query as never,
  prefix: 'mortisect',
  buster: KEPT_SHAPE,
  maxAge: KEPT_DAYS * 24 * 3600_000,
});

export const queryClient: QueryClient = new QueryClient({
  queryCache: new QueryCache({ onError }),
  mutationCache: new MutationCache({ onError }),
  defaultOptions: {
    queries: {
      staleTime: 10_000,
      retry: onlyWithoutAnswer,
      networkMode: 'always',
      persister: persister.persisterFn as never,
    },
    mutations: { retry: onlyWithoutAnswer, networkMode: 'always' },
  },
});

function onlyWithoutAnswer(failures: number, error: unknown): boolean {
  return error instanceof NoAnswer && failures < 1;
}

export const useHealth = () =>
  useQuery({ queryKey: ['health'], queryFn: health, staleTime: Number.POSITIVE_INFINITY });
export const useSession = () =>
  useQuery({ queryKey: ['session'], queryFn: () => ask('getSession', {}), staleTime: 0 });
export const useSite = () => useQuery({ queryKey: ['site'], queryFn: () => ask('getSite', {}) });
export function useTrees() {
  const query = useQuery({ queryKey: ['trees'], queryFn: () => ask('getTrees', {}) });
  const items = useOutbox((outbox) => outbox.items);
  const data = useMemo(() => query.data && treesWith(query.data, items), [query.data, items]);
  return { ...query, data };
}

export function useTree(treeId: string) {
  const query = useQuery({
    queryKey: ['tree', treeId],
    queryFn: () => ask('getTree', { params: { treeId } }),
  });
  const items = useOutbox((outbox) => outbox.items);
  const here = useHere();
  const data = useMemo(() => query.data && withPending(query.data, items, here), [query.data, items, here]);
  return { ...query, data };
}

export function useOpenWork() {
  const query = useQuery({ queryKey: ['open-work'], queryFn: () => ask('getOpenWork', {}) });
  const client = useQueryClient();
  const items = useOutbox((outbox) => outbox.items);
  const here = useHere();
  const data = useMemo(() => {
    if (!query.data) return undefined;
    const known = client.getQueriesData<TreeDetail>({ queryKey: ['tree'] });
    return openWorkWith(
      query.data,
      known.flatMap(([, detail]) => (detail ? [detail] : [])),
      items,
      here,
    );
  }, [query.data, client, items, here]);
  return { ...query, data };
}

/** The round that is open, with what was done here and waits. */
export function useRound() {
  const query = useQuery({
    queryKey: ['round'],
    queryFn: () => ask('getRound', {}),
    refetchInterval: SHARED_EVERY_MS,
  });
  const items = useOutbox((outbox) => outbox.items);
  const here = useHere();
  const round = useMemo(
    () => query.data && openRound(withActions(query.data.actions, pendingActions(items, here))),
    [query.data, items, here],
  );
  return { ...query, round };
}
/** How soon one phone sees what another has walked. */
const SHARED_EVERY_MS = 20_000;

export const usePeople = () => useQuery({ queryKey: ['people'], queryFn: () => ask('getPeople', {}) });
export const useJobs = () => useQuery({ queryKey: ['jobs'], queryFn: () => ask('getJobs', {}) });

/** One tree, from the device where it was read lately. */
export function readTree(treeId: string): Promise<TreeDetail> {
  return queryClient.fetchQuery({
    queryKey: ['tree', treeId],
    queryFn: () => ask('getTree', { params: { treeId } }),
  });
}

/** Reads all trees of a plot onto the device, so that a round through it needs no signal. */
export async function readPlot(plotId: string): Promise<void> {
  const { trees } = await ask('getPlotTrees', { params: { plotId } });
  for (const detail of trees) {
    const queryKey = ['tree', detail.tree.id];
    queryClient.setQueryData(queryKey, detail);
    await persister.persistQueryByKey(queryKey, queryClient);
  }
}

function useHere() {
  const person = usePreferences((preferences) => preferences.person);
  return useMemo(() => ({ person, now: new Date().toISOString() }), [person]);
}

export const useLog = () =>
  useInfiniteQuery({
    queryKey: ['log'],
    queryFn: ({ pageParam }) =>
      ask('getLog', { query: { ...(pageParam !== null && { before: pageParam }), limit: 50 } }),
    initialPageParam: null as number | null,
    getNextPageParam: (page: Answer<'getLog'>) => (page.more ? (page.entries.at(-1)?.seq ?? null) : null),
  });

/** How far the server's clock is ahead of this one, ms: the orchard goes by the server's. */
async function health() {
  const answer = await ask('health', {});
  return { ...answer, aheadMs: Date.parse(answer.now) - Date.now() };
}

const ORCHARD = [['trees'], ['tree'], ['open-work'], ['log'], ['round'], ['jobs']];

/** Brings what is shown in line with what the server took. */
export function refreshOrchard(): void {
  for (const queryKey of ORCHARD) void queryClient.invalidateQueries({ queryKey });
}

/** The server took it: what was read takes it over, then everything is read anew. @see openOutbox */
export function takeOver(item: OutboxItem, answer: unknown): void {
  const here = { person: usePreferences.getState().person, now: new Date().toISOString() };
  if (answer !== null) {
    for (const [queryKey, detail] of queryClient.getQueriesData<TreeDetail>({ queryKey: ['tree'] })) {
      const after = detail && withPending(detail, [item], here);
      if (after === detail) continue;
      queryClient.setQueryData(queryKey, after);
      void persister.persistQueryByKey(queryKey, queryClient);
    }
    queryClient.setQueryData<Answer<'getRound'>>(
      ['round'],
      (round) => round && { actions: withActions(round.actions, pendingActions([item], here)) },
    );
  }
  refreshOrchard();
}

function useOutboxWrite<V>(write: (value: V) => Promise<void>) {
  return useMutation({ mutationFn: write, networkMode: 'always', retry: false });
}

export interface FindingDraft {
  id: string;
  baseRevision: number | null;
  finding: FindingBody;
}

/** Safe on the device when it succeeds; it goes to the server on its own. */
export const useSaveFinding = () =>
  useOutboxWrite(({ id, baseRevision, finding }: FindingDraft) =>
    enqueue('putFinding', id, { params: { findingId: id }, body: { baseRevision, finding } }),
  );

export const useSaveLimbs = () =>
  useOutboxWrite(
    ({
      treeId,
      baseRevision,
      surveyedAt,
      limbs,
    }: {
      treeId: string;
      baseRevision: number;
      surveyedAt: string;
      limbs: Limb[];
    }) =>
      enqueue('putLimbs', `limbs:${treeId}`, {
        params: { treeId },
        body: { baseRevision, surveyedAt, limbs },
      }),
  );

export const useSaveTree = () =>
  useMutation({
    mutationFn: ({
      treeId,
      baseRevision,
      tree,
    }: {
      treeId: string;
      baseRevision: number | null;
      tree: TreeBody;
    }) => ask('putTree', { params: { treeId }, body: { baseRevision, tree } }),
    onSuccess: refreshOrchard,
  });

export const useSaveJob = () =>
  useOutboxWrite(({ id, baseRevision, job }: { id: string; baseRevision: number | null; job: JobBody }) =>
    enqueue('putJob', id, { params: { jobId: id }, body: { baseRevision, job } }),
  );

/** A photo goes ahead of the finding that shows it. @returns its id */
export async function addPhoto(file: Blob): Promise<string> {
  const photoId = newId();
  await enqueue('putPhoto', photoId, { params: { photoId }, file });
  return photoId;
}

/** Records what was done; safe on the device when it succeeds. */
export function useRecordAction() {
  const { mutate, error, isPending } = useOutboxWrite(({ id, action }: { id: string; action: ActionBody }) =>
    enqueue('putAction', id, { params: { actionId: id }, body: action }),
  );
  /** @returns the id the action goes by, for an undo */
  const record = (action: ActionBody, onSuccess?: () => void): string => {
    const id = newId();
    mutate({ id, action }, { onSuccess });
    return id;
  };
  return { record, error, isPending };
}

export const useImportTrees = () =>
  useMutation({
    mutationFn: (given: Ask<'importTrees'>) => ask('importTrees', given),
    onSuccess: (report) => report.written > 0 && refreshOrchard(),
  });

export function useSaveSite() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ baseRevision, site }: { baseRevision: number; site: Site }) =>
      ask('putSite', { body: { baseRevision, site } }),
    onSuccess: (saved: SiteRecord) => {
      client.setQueryData(['site'], saved);
      return client.invalidateQueries({ queryKey: ['log'] });
    },
  });
}

export const useNameDevice = () =>
  useMutation({
    mutationFn: ({ deviceId, name }: { deviceId: string; name: string }) =>
      ask('putDevice', { params: { deviceId }, body: { name } }),
  });

export function useSignIn() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (passphrase: string) => ask('signIn', { body: { passphrase } }),
    onSuccess: () => client.invalidateQueries(),
  });
}

/** Signing out leaves nothing of the orchard on the screen or in memory. */
export const useSignOut = () =>
  useMutation({
    mutationFn: async () => {
      await ask('signOut', {});
      await emptyOutbox();
      await clear(keptStore);
    },
    onSuccess: () => window.location.assign('/'),
  });

/** Id of a record made here: a UUID of version 7. */
export const newId = (): string => v7();
