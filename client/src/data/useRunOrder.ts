// The trees of a run in order, on a thread of its own.
import type { RunOrder, RunOrderInput } from '@mortisect/core/plan';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type Remote, wrap } from 'comlink';
import type { OrderWork } from '../workers/order.worker';
import { keyOf } from './keyOf';
import { COMPUTED_HERE } from './queryClient';

let remote: Remote<OrderWork> | null = null;

/** Starts the thread where it is not there yet. */
function orderer(): Remote<OrderWork> {
  remote ??= wrap<OrderWork>(new Worker(new URL('../workers/order.worker', import.meta.url)));
  return remote;
}

// It reads its script while the page that will ask is still being made
if (typeof Worker !== 'undefined') orderer();

/** Null while it is reckoned. */
export function useRunOrder(input: RunOrderInput | null): RunOrder | null {
  const client = useQueryClient();
  const query = {
    queryKey: ['run-order', input && keyOf(input)],
    queryFn: () => orderer().order(input as RunOrderInput),
    staleTime: Number.POSITIVE_INFINITY,
    ...COMPUTED_HERE,
  };
  const enabled = input !== null && input.trees.length > 0;
  // Now, and not only when the page that waits for it is drawn
  if (enabled && !client.getQueryState(query.queryKey)) void client.prefetchQuery(query);
  const { data } = useQuery({ ...query, enabled, placeholderData: (before) => before });
  return data ?? null;
}
