// The plans that the server has searched ahead: shown at once, and without the server as long as a tree has not changed.
import type { KeptPlan } from '@mortisect/core/plan';
import type { QueryClient } from '@tanstack/react-query';
import { type Answer, ask } from './api';

interface KeptPlans {
  revision: string;
  /** By tree id. */
  plans: Record<string, KeptPlan>;
}

export const KEPT_PLANS = ['kept-plans'];
/** Whoever has never read them waits so long for an answer; the tree is planned here otherwise. */
const MOST_WAIT_MS = 500;
/** Where nobody tells this device of new ones. */
const FRESH_MS = 60_000;

export const keptPlansQuery = (client: QueryClient) => ({
  queryKey: KEPT_PLANS,
  queryFn: () => read(client),
  staleTime: FRESH_MS,
});

/** The plan that is kept of a tree, as far as this device knows. Whether it still holds, its stamp says. */
export async function keptPlanOf(client: QueryClient, treeId: string): Promise<KeptPlan | null> {
  const lastRead = client.getQueryData<KeptPlans>(KEPT_PLANS);
  const areRead = lastRead !== undefined || client.isFetching({ queryKey: KEPT_PLANS, exact: true }) > 0;
  const reading = client.fetchQuery(areRead ? keptPlansQuery(client) : oneQuery(treeId)).catch(() => null);
  const found = lastRead ?? (await Promise.race([reading, waited(MOST_WAIT_MS)]));
  return found?.plans[treeId] ?? null;
}

/** Of one tree where all were never read: those of a large orchard are megabytes. */
const oneQuery = (treeId: string) => ({
  queryKey: [...KEPT_PLANS, treeId],
  queryFn: async (): Promise<KeptPlans> => byTree(await ask('getKeptPlans', { query: { tree: treeId } })),
  staleTime: FRESH_MS,
});

/** Only what was kept since it was read last is asked for. */
async function read(client: QueryClient): Promise<KeptPlans> {
  const before = client.getQueryData<KeptPlans>(KEPT_PLANS);
  const answer = await ask('getKeptPlans', { query: { since: before?.revision } });
  const { revision, plans } = byTree(answer);
  return { revision, plans: answer.whole ? plans : { ...before?.plans, ...plans } };
}

const byTree = ({ revision, plans }: Answer<'getKeptPlans'>): KeptPlans => ({
  revision,
  plans: Object.fromEntries(plans.map(({ treeId, ...kept }) => [treeId, kept])),
});

const waited = (ms: number) => new Promise<null>((resolve) => setTimeout(() => resolve(null), ms));
