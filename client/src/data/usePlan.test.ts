// A search that was given up before its proof is taken up again, whichever way its tree comes back.
import '../workers/importMeta';
import type { Solved } from '@mortisect/core/plan';
import { planInputOf, type TreeView, treeView } from '@mortisect/core/present';
import { plansOf } from '@mortisect/core/testing';
import { QueryClient, QueryClientProvider, QueryObserver } from '@tanstack/react-query';
import { act, renderHook } from '@testing-library/react';
import { createElement } from 'react';
import { detail, finding, today } from '../testing/orchard';
import { planQuery, usePlans } from './usePlan';

const mockSolve = jest.fn();
const mockStop = jest.fn();
jest.mock('comlink', () => ({
  wrap: () => ({ solve: mockSolve, stop: mockStop }),
  proxy: (tell: unknown) => tell,
}));
const mockKept = { stamp: 'kept of a' };
jest.mock('./keptPlans', () => ({ keptPlanOf: async (_: unknown, id: string) => id === 'a' && mockKept }));
Object.assign(globalThis, { Worker: class {} });

function treeWith(code: string) {
  const view = treeView(detail([finding('1', 'S', code)]), today);
  const proved = plansOf([view], today).get('a') as Solved;
  const near = { ...proved, plan: { ...proved.plan, proof: { ...proved.plan.proof, done: false } } };
  return { input: planInputOf(view.detail, today.site, today.day), proved, near };
}

test('a plan left for another and come back to is searched to its proof', async () => {
  const client = new QueryClient();
  const [first, other] = [treeWith('FB_CANK_A'), treeWith('DEAD')];
  mockSolve.mockImplementationOnce((_job, _input, tell: (solved: Solved) => void) => {
    tell(first.near);
    return new Promise(() => {});
  });
  mockSolve.mockResolvedValueOnce(other.proved).mockResolvedValueOnce(first.proved);
  const observer = new QueryObserver(client, planQuery(client, 'a', first.input));
  observer.subscribe(() => {});
  await waitFor(() => observer.getCurrentResult().data !== undefined);
  expect(observer.getCurrentResult().data?.plan.proof.done).toBe(false);
  observer.setOptions(planQuery(client, 'a', other.input));
  await waitFor(() => observer.getCurrentResult().data === other.proved);
  expect(mockStop).toHaveBeenCalledTimes(1);
  observer.setOptions(planQuery(client, 'a', first.input));

  await waitFor(() => observer.getCurrentResult().data?.plan.proof.done === true);
  expect(observer.getCurrentResult().data).toBe(first.proved);
  // Lists take what is proved without a search of their own
  expect(await client.fetchQuery(planQuery(client, 'a', first.input, 1500))).toBe(first.proved);
  expect(mockSolve).toHaveBeenCalledTimes(3);
  // What the server has kept goes to the worker, which tells whether it holds
  expect(mockSolve.mock.calls.map(([, , , how]) => how)).toEqual(Array(3).fill({ kept: mockKept }));
  client.clear();
});

test('a list shows what is planned, names what cannot be, and keeps the last plan of a tree while it is planned anew', async () => {
  mockSolve.mockReset();
  const tree = (id: string, code: string) => {
    const shown = detail([finding(id, 'S', code)]);
    return treeView({ ...shown, tree: { ...shown.tree, id } }, today);
  };
  const [a, b] = [tree('a', 'FB_CANK_A'), tree('b', 'DEAD')];
  const proved = plansOf([a], today).get('a') as Solved;
  mockSolve.mockResolvedValueOnce(proved).mockRejectedValueOnce(new Error('no plan'));
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const { result, rerender } = renderHook(({ views }) => usePlans(views, today), {
    initialProps: { views: [a, b] },
    wrapper: ({ children }) => createElement(QueryClientProvider, { client }, children),
  });
  expect(result.current).toMatchObject({ ready: false, current: false, failed: [] });
  await waitFor(() => result.current.ready);
  expect(result.current.plans.get('a')).toBe(proved);
  expect(result.current.plans.has('b')).toBe(false);
  expect(result.current).toMatchObject({ current: true, failed: [b] });
  // Both are searched for lists, each with what is kept of it
  expect(mockSolve.mock.calls.map(([, , , how]) => how)).toEqual([
    { kept: mockKept, mostMs: 1500 },
    { kept: false, mostMs: 1500 },
  ]);
  let found = (_: Solved) => {};
  mockSolve.mockReturnValueOnce(
    new Promise((resolve) => {
      found = resolve;
    }),
  );
  const changed = tree('a', 'NEO');
  rerender({ views: [changed] });
  expect(result.current.plans.get('a')).toBe(proved);
  expect(result.current).toMatchObject({ ready: true, current: false, failed: [] });
  const next = plansOf([changed], today).get('a') as Solved;
  await waitFor(() => mockSolve.mock.calls.length === 3);
  found(next);
  await waitFor(() => result.current.current);
  expect(result.current.plans.get('a')).toBe(next);
  client.clear();
});

test('without a tree there is nothing to wait for', () => {
  const client = new QueryClient();
  const { result } = renderHook(() => usePlans(NO_VIEWS, null), {
    wrapper: ({ children }) => createElement(QueryClientProvider, { client }, children),
  });
  expect(result.current).toMatchObject({ ready: true, current: true, failed: [] });
  expect(result.current.plans.size).toBe(0);
});
const NO_VIEWS: TreeView[] = [];

async function waitFor(holds: () => boolean) {
  for (let tries = 0; tries < 100 && !holds(); tries++)
    await act(() => new Promise((resolve) => setTimeout(resolve, 5)));
  expect(holds()).toBe(true);
}
