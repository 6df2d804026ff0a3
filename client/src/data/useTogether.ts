// Answers of many queries, shown together: a list that is drawn anew for each of them is drawn for seconds on a slow phone.
import {
  QueriesObserver,
  type QueryClient,
  type QueryKey,
  type QueryObserverOptions,
} from '@tanstack/react-query';
import { useLayoutEffect, useMemo, useReducer, useRef, useState } from 'react';

/** What has come meanwhile is shown so often while others are still waited for. */
export const SHOWN_MS = 400;

/** An answer, or `failed` where there is none, or null while it is waited for. */
export type Answer<T> = T | 'failed' | null;

/**
 * @param queries the same array as long as the same is asked
 * @returns the same array as long as the answers are the same
 */
export function useTogether<T>(client: QueryClient, queries: readonly QueryObserverOptions[]): Answer<T>[] {
  const [told, tell] = useReducer((count: number) => count + 1, 0);
  const latest = useRef<{ queries: readonly QueryObserverOptions[]; shown: Answer<T>[] }>({
    queries,
    shown: [],
  });
  const [observer] = useState(() => new QueriesObserver(client, [...queries]));
  useLayoutEffect(() => observer.setQueries([...queries]), [observer, queries]);
  // Before the page is painted: the thread that plans works meanwhile
  useLayoutEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const show = () => {
      clearTimeout(timer);
      timer = undefined;
      tell();
    };
    const stop = observer.subscribe((results) => {
      if (results.every(({ data, isError }) => data !== undefined || isError)) show();
      else timer ??= setTimeout(show, SHOWN_MS);
    });
    // What came between drawing and listening
    const { queries: asked, shown } = latest.current;
    if (asked.some(({ queryKey }, i) => known(client, queryKey ?? []) !== shown[i])) tell();
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [observer, client]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is known is read anew once it is told
  const found = useMemo(
    () => queries.map(({ queryKey }) => known<T>(client, queryKey ?? [])),
    [client, queries, told],
  );
  const before = latest.current.shown;
  const isSame = before.length === found.length && found.every((each, i) => each === before[i]);
  const shown = isSame ? before : found;
  latest.current = { queries, shown };
  return shown;
}

function known<T>(client: QueryClient, queryKey: QueryKey): Answer<T> {
  const state = client.getQueryState<T>(queryKey);
  return state?.data ?? (state?.status === 'error' ? 'failed' : null);
}
