// The plan of a tree, searched in a worker: a good one at once, the proved one when it is there.

import { type KeptPlan, type ListedPlan, listedOf, type PlanInput, type Solved } from '@mortisect/core/plan';
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
import { useDeferredValue, useEffect, useMemo, useRef } from 'react';
import { keptPlanOf, keptPlansQuery } from './keptPlans';
import { keyOf } from './keyOf';
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

type Wanted = 'to proof' | 'beside others';
const planKey = (input: PlanInput, wanted: Wanted) => ['plan', keyOf(input), wanted] as const;

/** What is short of proof is stale: whoever comes back to it takes it up again. */
const AS_A_PLAN = {
  staleTime: (query: { state: { data?: Pick<Solved, 'plan'> | undefined } }) =>
    query.state.data?.plan.proof.done ? Number.POSITIVE_INFINITY : 0,
  refetchOnWindowFocus: false,
  refetchOnReconnect: false,
  structuralSharing: false as const,
  gcTime: 5 * 60_000,
  ...COMPUTED_HERE,
};

/** Searched by the thread that plans; what it finds on the way is shown. */
function searched<T>(
  client: QueryClient,
  queryKey: readonly unknown[],
  signal: AbortSignal,
  search: (job: number, tell: (found: T) => Promise<void>) => Promise<T>,
): Promise<T> {
  const job = ++jobs;
  signal.addEventListener('abort', () => void planner().stop(job));
  const tell = proxy(async (found: T) => {
    if (!signal.aborted) client.setQueryData(queryKey, found);
    await drawn();
  });
  return search(job, tell);
}

function unlessLeft(signal: AbortSignal): void {
  if (signal.aborted) throw new CancelledError();
}

/** Kept by the server, or searched here: to proof, or until `mostMs` beside others. */
export function planQuery(client: QueryClient, treeId: string, input: PlanInput, mostMs?: number) {
  const queryKey = planKey(input, mostMs === undefined ? 'to proof' : 'beside others');
  return {
    queryKey,
    queryFn: async ({ signal }: { signal: AbortSignal }): Promise<Solved> => {
      opened.add(treeId);
      const proved = client.getQueryData<Solved>(planKey(input, 'to proof'));
      if (proved?.plan.proof.done) return proved;
      const kept = await keptPlanOf(client, treeId);
      unlessLeft(signal);
      const isEnough = kept && (kept.plan.proof.done || mostMs !== undefined);
      const taken = isEnough ? await planner().takeUp(kept, input) : null;
      unlessLeft(signal);
      return (
        taken ??
        searched<Solved>(client, queryKey, signal, (job, tell) => planner().solve(job, input, tell, mostMs))
      );
    },
    ...AS_A_PLAN,
  };
}

/** Trees whose plan somebody has opened: a list takes what was proved there. */
const opened = new Set<string>();
const viewKeys = new WeakMap<TreeView, number>();
let viewsAsked = 0;

/** The same for the same tree on the same day, without writing out what its plan rests on. */
function keyOfView(view: TreeView): number {
  const key = viewKeys.get(view) ?? ++viewsAsked;
  viewKeys.set(view, key);
  return key;
}

/** The plan as lists take it: kept by the server, proved or not, or searched here for a moment. */
export function listQuery(client: QueryClient, view: TreeView, today: SiteToday) {
  const { id } = view.tree;
  const queryKey = ['plan', 'for lists', id, keyOfView(view)];
  const input = () => planInputFor(view, today);
  return {
    queryKey,
    queryFn: async ({ signal }: { signal: AbortSignal }): Promise<ListedPlan> => {
      const proved = opened.has(id) ? client.getQueryData<Solved>(planKey(input(), 'to proof')) : undefined;
      if (proved?.plan.proof.done) return listedOf(proved);
      const kept = shownFrom(await keptPlanOf(client, id));
      unlessLeft(signal);
      const holds = kept !== null && (await stillHold({ kept, input }));
      unlessLeft(signal);
      if (holds) return kept;
      return searched<ListedPlan>(client, queryKey, signal, (job, tell) =>
        planner().list(job, input(), tell, LIST_MS),
      );
    },
    ...AS_A_PLAN,
  };
}

/** A kept plan that a list can be shown from: those of an older server, or kept on the device by an older app, say no cuts. */
const shownFrom = (kept: KeptPlan | null | undefined): KeptPlan | null => (kept?.now ? kept : null);

/** The plan as far as it is known; `last` keeps what stood before a pin was set. */
export function usePlan(treeId: string, input: PlanInput) {
  const client = useQueryClient();
  return useQuery({
    ...planQuery(client, treeId, input),
    placeholderData: (before: Solved | undefined) => before,
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
  plans: ReadonlyMap<string, ListedPlan>;
  /** Ids of the trees whose plan is of them as they stand; that of another stands in while its own is searched or looked at. */
  held: ReadonlySet<string>;
  /** Trees that could not be planned on this device. */
  failed: readonly TreeView[];
}

/**
 * Plans of many trees, by tree id; those never computed are missing. Until it is known that a plan is of the tree as it stands, its last one stands in,
 * or the one that the server keeps: whoever shows it leaves out what is done meanwhile.
 *
 * @param areAll the plans that the server keeps are read all together: of few trees each is asked for by itself
 */
export function usePlans(given: readonly TreeView[], today: SiteToday | null, areAll: boolean): Plans {
  // Lists are made of what comes from here: the same as long as nothing is asked
  const views = given.length > 0 ? given : NONE;
  const client = useQueryClient();
  const last = useRef(new Map<string, ListedPlan>());
  // While the trees are still read. What the server planned needs no thread of this device
  const isPlannedHere = areAll || given.length > 0;
  useEffect(() => {
    if (isPlannedHere) planner();
  }, [isPlannedHere]);
  const kept = useQuery({ ...keptPlansQuery(client), enabled: areAll }).data?.plans;
  // What is kept is drawn first; whether it holds is asked then
  const asked = useDeferredValue(views, NONE);
  const queries = useMemo(
    () => (today ? asked.map((view) => listQuery(client, view, today)) : []),
    [client, asked, today],
  );
  const found = useTogether<ListedPlan>(client, queries as QueryObserverOptions[]);
  return useMemo(() => {
    const foundOf = new Map(asked.map((view, i) => [view, found[i] ?? null]));
    const plans = new Map<string, ListedPlan>();
    const held = new Set<string>();
    for (const view of views) {
      const { id } = view.tree;
      const own = foundOf.get(view);
      const plan = own && own !== 'failed' ? own : (last.current.get(id) ?? shownFrom(kept?.[id]));
      if (!plan) continue;
      plans.set(id, plan);
      if (plan === own) held.add(id);
    }
    // A tree that is gone for a moment, between a record and its answer, comes back with the plan it had
    last.current = new Map([...last.current, ...plans]);
    const failed = views.filter((view) => foundOf.get(view) === 'failed');
    return { plans, held, failed };
  }, [views, asked, found, kept]);
}
const NONE: readonly TreeView[] = [];

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
