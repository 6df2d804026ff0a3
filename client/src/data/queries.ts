// Server state, by TanStack Query. Writes are idempotent, so they may be tried again.
import type { ActionBody, FindingBody, Site, SiteRecord } from '@mortisect/contracts';
import {
  MutationCache,
  QueryCache,
  QueryClient,
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query';
import { v7 } from 'uuid';
import { type Answer, ask, NoAnswer, ServerProblem } from './api';

/** A session that has run out is asked about again, which brings the sign-in. */
const onError = (error: unknown) => {
  if (error instanceof ServerProblem && error.problem.status === 401)
    queryClient.invalidateQueries({ queryKey: ['session'] });
};

export const queryClient: QueryClient = new QueryClient({
  queryCache: new QueryCache({ onError }),
  mutationCache: new MutationCache({ onError }),
  defaultOptions: {
    queries: { staleTime: 10_000, retry: onlyWithoutAnswer, networkMode: 'always' },
    mutations: { retry: onlyWithoutAnswer, networkMode: 'always' },
  },
});

function onlyWithoutAnswer(failures: number, error: unknown): boolean {
  return error instanceof NoAnswer && failures < 2;
}

export const useHealth = () =>
  useQuery({ queryKey: ['health'], queryFn: health, staleTime: Number.POSITIVE_INFINITY });
export const useSession = () => useQuery({ queryKey: ['session'], queryFn: () => ask('getSession', {}) });
export const useSite = () => useQuery({ queryKey: ['site'], queryFn: () => ask('getSite', {}) });
export const useTrees = () => useQuery({ queryKey: ['trees'], queryFn: () => ask('getTrees', {}) });
export const useTree = (treeId: string) =>
  useQuery({ queryKey: ['tree', treeId], queryFn: () => ask('getTree', { params: { treeId } }) });
export const useOpenWork = () => useQuery({ queryKey: ['open-work'], queryFn: () => ask('getOpenWork', {}) });

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

const ORCHARD = [['trees'], ['tree'], ['open-work'], ['log']];

function useOrchardWrite<V, R>(write: (value: V) => Promise<R>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: write,
    onSuccess: () => Promise.all(ORCHARD.map((queryKey) => client.invalidateQueries({ queryKey }))),
  });
}

export interface FindingDraft {
  id: string;
  baseRevision: number | null;
  finding: FindingBody;
}

export const useSaveFinding = () =>
  useOrchardWrite(({ id, baseRevision, finding }: FindingDraft) =>
    ask('putFinding', { params: { findingId: id }, body: { baseRevision, finding } }),
  );

interface ActionDraft {
  id: string;
  action: ActionBody;
}

/** Records what was done. The same thing tried again after a failure goes out under the same id, so that it counts once. */
export function useRecordAction() {
  const { mutate, error, isPending, variables } = useOrchardWrite(({ id, action }: ActionDraft) =>
    ask('putAction', { params: { actionId: id }, body: action }),
  );
  const record = (action: ActionBody, onSuccess?: () => void) => {
    const again = error && variables && sameButTime(variables.action, action) ? variables : null;
    mutate(again ?? { id: newId(), action }, { onSuccess });
  };
  return { record, error, isPending };
}

function sameButTime(a: ActionBody, b: ActionBody): boolean {
  return JSON.stringify({ ...a, at: '' }) === JSON.stringify({ ...b, at: '' });
}

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
  useMutation({ mutationFn: () => ask('signOut', {}), onSuccess: () => window.location.assign('/') });

/** Id of a record made here: a UUID of version 7. */
export const newId = (): string => v7();
