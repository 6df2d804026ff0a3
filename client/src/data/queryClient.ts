// What was read of the server, in memory and on the device.
import type { TreeDetail } from '@mortisect/core/records';
import { experimental_createQueryPersister, type PersistedQuery } from '@tanstack/query-persist-client-core';
import {
  MutationCache,
  type Query,
  QueryCache,
  QueryClient,
  type QueryFunction,
  type QueryFunctionContext,
  type QueryKey,
} from '@tanstack/react-query';
import { createStore, del, get, keys, set } from 'idb-keyval';
import { type Answer, answerFrom, bytesOf, NoAnswer, ServerProblem } from './api';
import { atRest } from './rest';

/** Raised when the shape of what is read changes: what an older app has kept is read anew then. */
const KEPT_SHAPE = '7';
const KEPT_DAYS = 30;
/** So long a page that does not rest is waited for. */
const KEPT_WITHIN_MS = 1000;
const LONG_AFTER_MS = 1500;
const FRESH_MS = 1000;
const LOADED_AT = Date.now();
export const keptStore =
  typeof indexedDB === 'undefined' ? undefined : createStore('mortisect-read', 'queries');

/** A session that has run out is asked about again, which brings the sign-in. */
const onError = (error: unknown) => {
  if (error instanceof ServerProblem && error.problem.status === 401) askSession();
};

export function askSession(): void {
  void queryClient.invalidateQueries({ queryKey: ['session'] });
}

/** Where what was read is kept, by key. */
export interface KeptIn {
  getItem(key: string): Promise<unknown>;
  setItem(key: string, value: unknown): Promise<void>;
  removeItem(key: string): Promise<void>;
}

/** A page that waits for an answer or for a thread rests too, and what comes from there should find it free: it is waited for so often. */
const MOST_WAITS = 8;
const WAIT_MS = 250;

export function whenNothingIsRead(client: QueryClient, work: () => void, waits = MOST_WAITS): void {
  if (waits > 0 && client.isFetching() > 0) setTimeout(whenNothingIsRead, WAIT_MS, client, work, waits - 1);
  else atRest(work, KEPT_WITHIN_MS);
}

/** To copy a long answer onto the device would hold the page up: it is kept as it came. */
interface AsItCame extends PersistedQuery {
  bytes: ArrayBuffer;
}

function asKept(query: PersistedQuery): PersistedQuery | AsItCame {
  const bytes = bytesOf(query.state.data);
  return bytes ? { ...query, state: { ...query.state, data: undefined }, bytes } : query;
}

async function asRead(kept: PersistedQuery | AsItCame): Promise<PersistedQuery> {
  if (!('bytes' in kept)) return kept;
  const { bytes, ...query } = kept;
  return { ...query, state: { ...query.state, data: await answerFrom(bytes) } };
}

/** What was read stays on the device, each query by itself, so that the app opens and the round goes on without the server. */
export function keeping(store: KeptIn | undefined) {
  const options = {
    serialize: asKept,
    deserialize: (kept: unknown) => asRead(kept as PersistedQuery | AsItCame),
    prefix: 'mortisect',
    buster: KEPT_SHAPE,
    maxAge: KEPT_DAYS * 24 * 3600_000,
    // Done below: the library itself lets what fails there go unheard
    refetchOnRestore: false as const,
  };
  const meant = experimental_createQueryPersister<unknown>({ ...options, storage: store });
  // Left to itself it writes what was read before that is drawn
  const { persisterFn } = experimental_createQueryPersister<unknown>({
    ...options,
    storage: store && { ...store, setItem: async () => {} },
  });
  const toKeep = new Set<Query>();

  /** What was only shown is kept once it is drawn, as it stands then; a device that is full shows it all the same. */
  function keepWhenDrawn(query: Query, client: QueryClient, isLong: boolean): void {
    if (toKeep.has(query)) return;
    toKeep.add(query);
    const keep = () => {
      toKeep.delete(query);
      // What was taken off the device meanwhile stays off it
      if (client.getQueryCache().get(query.queryHash) === query) meant.persistQuery(query).catch(nothing);
    };
    if (isLong) setTimeout(whenNothingIsRead, LONG_AFTER_MS, client, keep);
    else atRest(keep, KEPT_WITHIN_MS);
  }

  /** Shows what is kept, then reads it anew where it is stale; a read that fails or is overtaken is the query's own matter. */
  async function read<T>(
    queryFn: QueryFunction<T>,
    context: QueryFunctionContext<QueryKey>,
    query: Query,
  ): Promise<T> {
    let asked = false;
    const answer = await persisterFn(
      (given: QueryFunctionContext<QueryKey>) => {
        asked = true;
        return queryFn(given);
      },
      context,
      query,
    );
    if (asked) keepWhenDrawn(query, context.client, bytesOf(answer) !== undefined);
    else
      setTimeout(() => {
        if (query.isStale()) query.fetch().catch(nothing);
      });
    return answer;
  }

  return {
    read,
    /**
     * Keeps what this query holds now.
     *
     * @throws what the device answers when it is full
     */
    keep: (client: QueryClient, queryKey: QueryKey) => meant.persistQueryByKey(queryKey, client),
  };
}
const nothing = () => {};

/**
 * The same store, not asked for what it does not hold: a page that draws would hear of that only when it has drawn, and ask the server then. Asked
 * for it again it looks, for another page may have kept it since.
 *
 * @param there keys of what it holds, of which it is asked for everything until they are read
 */
export function askedForWhatItHolds(store: KeptIn, there: Promise<readonly string[]>): KeptIn {
  const held = new Set<string>();
  let isKnown = false;
  there.then((keys) => {
    for (const key of keys) held.add(key);
    isKnown = true;
  }, nothing);
  return {
    ...store,
    async getItem(key) {
      if (!isKnown || held.has(key)) return store.getItem(key);
      held.add(key);
      return undefined;
    },
    setItem(key, value) {
      held.add(key);
      return store.setItem(key, value);
    },
  };
}

const device = keeping(
  keptStore &&
    askedForWhatItHolds(
      {
        getItem: (key) => get(key, keptStore),
        setItem: (key, value) => set(key, value, keptStore),
        removeItem: (key) => del(key, keptStore),
      },
      keys(keptStore),
    ),
);

/** @throws what the device answers when it is full */
export const keepOnDevice = (queryKey: QueryKey): Promise<void> => device.keep(queryClient, queryKey);

/** Of what is in the outbox or with the server already: a device that is full loses nothing by it. */
export function keepIfItFits(queryKey: QueryKey): void {
  keepOnDevice(queryKey).catch(nothing);
}

/** Fresh for so long; what an earlier visit read is shown at once and read anew, however lately it was: others have worked meanwhile. */
export function sinceLoaded(freshMs: number) {
  return (query: { state: { dataUpdatedAt: number } }) =>
    query.state.dataUpdatedAt < LOADED_AT ? 0 : freshMs;
}

/** Of a query that this device answers by itself: it needs no network, and its answer is not kept. */
export const COMPUTED_HERE = { networkMode: 'always' as const, persister: undefined as never };

export const queryClient: QueryClient = new QueryClient({
  queryCache: new QueryCache({ onError }),
  mutationCache: new MutationCache({ onError }),
  defaultOptions: {
    queries: {
      staleTime: sinceLoaded(FRESH_MS),
      retry: onlyWithoutAnswer,
      networkMode: 'always',
      persister: device.read as never,
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
