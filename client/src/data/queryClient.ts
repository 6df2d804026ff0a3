// What was read of the server, in memory and on the device.
import type { TreeDetail } from '@mortisect/core/records';
import { experimental_createQueryPersister } from '@tanstack/query-persist-client-core';
import { MutationCache, QueryCache, QueryClient } from '@tanstack/react-query';
import { createStore, del, entries, get, set } from 'idb-keyval';
import { type Answer, NoAnswer, ServerProblem } from './api';

/** Raised when the shape of what is read changes: what an older app has kept is read anew then. */
const KEPT_SHAPE = '5';
const KEPT_DAYS = 30;
const FRESH_MS = 1000;
const LOADED_AT = Date.now();
export const keptStore =
  typeof indexedDB === 'undefined' ? undefined : createStore('mortisect-read', 'queries');
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
export const persister = experimental_createQueryPersister({
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
      // What an earlier visit read is shown at once and read anew, however lately it was: others have worked meanwhile
      staleTime: (query) => (query.state.dataUpdatedAt < LOADED_AT ? 0 : FRESH_MS),
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

/** Trees that were read one by one and are still on the device. */
export function knownTrees(): TreeDetail[] {
  const read = queryClient.getQueriesData<TreeDetail>({ queryKey: ['tree'] });
  return read.flatMap(([, detail]) => (detail ? [detail] : []));
}

/** Ids of all trees in walking order, as far as the register was read. */
export function walkKnown(): string[] {
  return queryClient.getQueryData<Answer<'getTrees'>>(['trees'])?.trees.map((tree) => tree.id) ?? [];
}
