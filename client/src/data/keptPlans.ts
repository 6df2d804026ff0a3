// The plans that the server has searched ahead: shown at once, and without the server as long as a tree has not changed.
import type { KeptPlan } from '@mortisect/core/plan';
import type { QueryClient } from '@tanstack/react-query';
import { ask } from './api';

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
  const reading = client.fetchQuery(keptPlansQuery(client)).catch(() => null);
  const found = lastRead ?? (await Promise.race([reading, waited(MOST_WAIT_MS)]));
  return found?.plans[treeId] ?? null;
}

/** Only what was kept since it was read last is asked for. */
async function read(client: QueryClient): Promise<KeptPlans> {
  const before = client.getQueryData<KeptPlans>(KEPT_PLANS);
  const { revision, whole, plans } = await ask('getKeptPlans', { query: { since: before?.revision } });
  const news = Object.fromEntries(plans.map(({ treeId, ...kept }) => [treeId, kept]));
  return { revision, plans: whole ? news : { ...before?.plans, ...news } };
}

const waited = (ms: number) => new Promise<null>((resolve) => setTimeout(() => resolve(null), ms));
