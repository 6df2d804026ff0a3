// The plan of a tree, searched in a worker: a good one at once, the proved one when it is there.

import type { PlanInput, RunOrder, RunOrderInput, Solved } from '@mortisect/core/plan';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import {
  CancelledError,
  type QueryClient,
  type QueryObserverOptions,
  useQueries,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query';
import { proxy } from 'comlink';
import { useEffect, useMemo, useRef } from 'react';
import { keptPlanOf, keptPlansQuery } from './keptPlans';
import { planner } from './planner';
import { COMPUTED_HERE } from './queryClient';
import { askedTogether } from './stillHold';
import { useTogether } from './useTogether';
import { planInputFor } from './views';

let jobs = 0;

const stillHold = askedTogether((list) => planner().stillHold(list));

/** Queries tell those who watch them in a task of its own; this one comes after it. */
const drawn = () => new Promise<void>((resolve) => setTimeout(resolve));

/** Lists need no proof: a plan that is this near stands. */
const LIST_MS = 1500;

const keys = new WeakMap<PlanInput, number>();
const keysByContent = new Map<string, number>();

/** A small key for a large input: the same for the same content, written out once an object. */
function keyOf(input: PlanInput): number {
  const had = keys.get(input);
  if (had !== undefined) return had;
  const content = JSON.stringify(input);
  const key = keysByContent.get(content) ?? keysByContent.size;
  keysByContent.set(content, key);
  keys.set(input, key);
  return key;
}

const planKey = (input: PlanInput, mostMs?: number) =>
  ['plan', keyOf(input), mostMs === undefined ? 'to proof' : 'for lists'] as const;

/** Kept by the server, or searched here: to proof, or for lists until `mostMs`. What is short of proof is stale: whoever comes back to it takes it up again. */
export function planQuery(client: QueryClient, treeId: string, input: PlanInput, mostMs?: number) {
  const queryKey = planKey(input, mostMs);
  return {
    queryKey,
    queryFn: async ({ signal }: { signal: AbortSignal }): Promise<Solved> => {
      const proved = client.getQueryData<Solved>(planKey(input));
      if (proved?.plan.proof.done) return proved;
      const kept = await keptPlanOf(client, treeId);
      if (signal.aborted) throw new CancelledError();
      // Kept short of its proof it is enough for a list
      const holding =
        kept && (kept.plan.proof.done || mostMs !== undefined) ? await stillHold({ kept, input }) : null;
      if (signal.aborted) throw new CancelledError();
      if (holding) return holding;
      const job = ++jobs;
      signal.addEventListener('abort', () => void planner().stop(job));
      const tell = proxy(async (solved: Solved) => {
        if (!signal.aborted) client.setQueryData(queryKey, solved);
        await drawn();
      });
      return planner().solve(job, input, tell, mostMs);
    },
    staleTime: (query: { state: { data?: Solved | undefined } }) =>
      query.state.data?.plan.proof.done ? Number.POSITIVE_INFINITY : 0,
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
    structuralSharing: false as const,
    gcTime: 5 * 60_000,
    ...COMPUTED_HERE,
  };
}

/** The plan as far as it is known; `last` keeps what stood before a pin was set. */
export function usePlan(treeId: string, input: PlanInput) {
  const client = useQueryClient();
  return useQuery({
    ...planQuery(client, treeId, input),
    placeholderData: (before: Solved | undefined) =>
      client.getQueryData<Solved>(planKey(input, LIST_MS)) ?? before,
  });
}

/** The tree planned in several ways side by side; null where one is not there yet. */
export function usePlansOf<W>(
  treeId: string,
  input: PlanInput,
  ways: readonly W[],
  changed: (input: PlanInput, way: W) => PlanInput,
): (Solved | null)[] {
  const client = useQueryClient();
  const inputs = useMemo(() => ways.map((way) => changed(input, way)), [input, ways, changed]);
  return useQueries({
    queries: inputs.map((each) => planQuery(client, treeId, each, LIST_MS)),
    combine: (results) => results.map(({ data }) => data ?? null),
  });
}

export interface Plans {
  plans: Map<string, Solved>;
  /** Every tree has a plan, or will get none. */
  ready: boolean;
  /** No plan stands in for one that is still searched. */
  current: boolean;
  /** Trees that could not be planned on this device. */
  failed: TreeView[];
}

/**
 * Plans of many trees, by tree id; those never computed are missing. While a tree is planned anew its last plan stands: whoever shows it
 * leaves out what is done meanwhile.
 */
export function usePlans(views: readonly TreeView[], today: SiteToday | null): Plans {
  const client = useQueryClient();
  const last = useRef(new Map<string, Solved>());
  // While the trees are still read
  useEffect(() => {
    planner();
    void client.prefetchQuery(keptPlansQuery(client));
  }, [client]);
  const inputs = useMemo(() => (today ? views.map((view) => planInputFor(view, today)) : []), [views, today]);
  const queries = useMemo(
    () => inputs.map((input, i) => planQuery(client, views[i]?.tree.id ?? '', input, LIST_MS)),
    [client, inputs, views],
  );
  const solved = useTogether<Solved>(client, queries as QueryObserverOptions[]);
  return useMemo(() => {
    const plans = new Map<string, Solved>();
    views.forEach((view, i) => {
      const plan = solved[i];
      const planOfTree = plan && plan !== 'failed' ? plan : last.current.get(view.tree.id);
      if (planOfTree) plans.set(view.tree.id, planOfTree);
    });
    // A tree that is gone for a moment, between a record and its answer, comes back with the plan it had
    last.current = new Map([...last.current, ...plans]);
    const failed = views.filter((_, i) => solved[i] === 'failed');
    const ready = views.every((view, i) => plans.has(view.tree.id) || solved[i] === 'failed');
    return { plans, ready, current: !solved.includes(null), failed };
  }, [views, solved]);
}

/** The trees of a run in order; null while it is reckoned. */
export function useRunOrder(input: RunOrderInput | null): RunOrder | null {
  const { data } = useQuery({
    queryKey: ['run-order', input],
    queryFn: () => planner().order(input as RunOrderInput),
    enabled: input !== null && input.trees.length > 0,
    staleTime: Number.POSITIVE_INFINITY,
    ...COMPUTED_HERE,
    placeholderData: (before) => before,
  });
  return data ?? null;
}

/** Clearance against crown lost and disease left, for one finding. */
export function useMarginCurve(input: PlanInput, findingId: string | null) {
  return useQuery({
    queryKey: ['margin-curve', keyOf(input), findingId],
    queryFn: () => planner().curve(input, findingId ?? ''),
    enabled: findingId !== null,
    staleTime: Number.POSITIVE_INFINITY,
    ...COMPUTED_HERE,
  });
}
