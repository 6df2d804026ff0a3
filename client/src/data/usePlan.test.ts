// A search that was given up before its proof is taken up again, whichever way its tree comes back.
import '../workers/importMeta';
import { type ListedPlan, listedOf, type Solved } from '@mortisect/core/plan';
import { type TreeView, treeView } from '@mortisect/core/present';
import { listedPlansOf, plansOf } from '@mortisect/core/testing';
import { QueryClient, QueryClientProvider, QueryObserver } from '@tanstack/react-query';
import { act, renderHook } from '@testing-library/react';
import { createElement } from 'react';
import { detail, finding, today } from '../testing/orchard';
import { listQuery, planQuery, usePlans } from './usePlan';
import { planInputFor } from './views';

const mockSolve = jest.fn();
const mockStop = jest.fn();
const mockList = jest.fn();
const mockTakeUp = jest.fn();
const mockStillHold = jest.fn(async (list: unknown[]): Promise<boolean[]> => list.map(() => false));
jest.mock('comlink', () => ({
  wrap: () => ({
    ...{ solve: mockSolve, list: mockList, stop: mockStop },
    ...{ stillHold: mockStillHold, takeUp: mockTakeUp },
  }),
  proxy: (tell: unknown) => tell,
}));
const mockKept = { stamp: 'kept of a', now: 'dormant', plan: { proof: { done: false } } };
const mockPlans = { plans: {} as Record<string, unknown> };
jest.mock('./keptPlans', () => ({
  keptPlanOf: async (_: unknown, id: string) => (id === 'a' ? mockKept : null),
  keptPlansQuery: () => ({ queryKey: ['kept-plans'], queryFn: () => mockPlans }),
}));
beforeEach(() => {
  mockPlans.plans = {};
  for (const mock of [mockSolve, mockList]) mock.mockReset();
  mockStillHold.mockClear();
});
Object.assign(globalThis, { Worker: class {} });

function treeWith(code: string) {
  const view = treeView(detail([finding('1', 'S', code)]), today);
  const proved = plansOf([view], today).get('a') as Solved;
  const near = { ...proved, plan: { ...proved.plan, proof: { ...proved.plan.proof, done: false } } };
  return { view, input: planInputFor(view, today), proved, near };
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
  expect(await client.fetchQuery(listQuery(client, first.view, today))).toEqual(listedOf(first.proved));
  expect(mockList).not.toHaveBeenCalled();
  expect(mockSolve).toHaveBeenCalledTimes(3);
  expect(mockSolve.mock.calls.map(([, , , mostMs]) => mostMs)).toEqual([undefined, undefined, undefined]);
  // What was kept short of its proof is no proof
  expect(mockTakeUp).not.toHaveBeenCalled();
  client.clear();
});

const treeOf = (id: string, code: string) => {
  const shown = detail([finding(id, 'S', code)]);
  return treeView({ ...shown, tree: { ...shown.tree, id } }, today);
};
const listedOfTree = (view: TreeView) => listedPlansOf([view], today).get('a') as ListedPlan;
function listed(views: TreeView[]) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const hook = renderHook((props) => usePlans(props.views, today, true), {
    initialProps: { views },
    wrapper: ({ children }) => createElement(QueryClientProvider, { client }, children),
  });
  return { client, ...hook };
}

test('a list shows what is planned, names what cannot be, and keeps the last plan of a tree while it is planned anew', async () => {
  const [a, b] = [treeOf('a', 'FB_CANK_A'), treeOf('b', 'DEAD')];
  const proved = listedOfTree(a);
  // Of b nothing is kept: it is searched first
  mockList.mockRejectedValueOnce(new Error('no plan')).mockResolvedValueOnce(proved);
  const { client, result, rerender } = listed([a, b]);
  expect(result.current.failed).toEqual([]);
  expect(result.current.plans.size).toBe(0);
  await waitFor(() => result.current.failed.length === 1 && result.current.held.has('a'));
  expect(result.current.plans.get('a')).toBe(proved);
  expect(result.current.plans.has('b')).toBe(false);
  expect(result.current.failed).toEqual([b]);
  // Both are searched for lists: of the one nothing is kept, of the other what does not hold any more
  expect(mockList.mock.calls.map(([, , , mostMs]) => mostMs)).toEqual([1500, 1500]);
  expect(mockStillHold.mock.calls).toEqual([[[{ kept: mockKept, input: expect.anything() }]]]);
  let found = (_: ListedPlan) => {};
  mockList.mockReturnValueOnce(
    new Promise((resolve) => {
      found = resolve;
    }),
  );
  const changed = treeOf('a', 'NEO');
  rerender({ views: [changed] });
  expect(result.current.plans.get('a')).toBe(proved);
  expect([result.current.held.has('a'), result.current.failed]).toEqual([false, []]);
  const next = listedOfTree(changed);
  await waitFor(() => mockList.mock.calls.length === 3);
  found(next);
  await waitFor(() => result.current.held.has('a'));
  expect(result.current.plans.get('a')).toBe(next);
  client.clear();
});

test('what the server keeps is shown at once, and says that it is looked at until it is known to hold', async () => {
  const a = treeOf('a', 'DEAD');
  const kept = { ...mockKept, ...listedOfTree(a) };
  mockPlans.plans = { a: kept };
  let answer = (_: boolean[]) => {};
  mockStillHold.mockReturnValueOnce(
    new Promise((resolve) => {
      answer = resolve;
    }),
  );
  const { client, result } = listed([a]);
  await waitFor(() => result.current.plans.has('a'));
  expect(result.current.plans.get('a')).toBe(kept);
  expect(result.current.held.has('a')).toBe(false);
  await waitFor(() => mockStillHold.mock.calls.length === 1);
  answer([true]);
  await waitFor(() => result.current.held.has('a'));
  // As it is kept
  expect(result.current.plans.get('a')).toBe(mockKept);
  expect(mockList).not.toHaveBeenCalled();
  client.clear();
});

test.each([
  ['an older server', null],
  ['an older app on this device', undefined],
])('what %s has kept says no cuts: the tree is searched here', async (_, now) => {
  const a = treeOf('a', 'DEAD');
  mockPlans.plans = { a: { ...mockKept, now } };
  mockKept.now = now as never;
  const proved = listedOfTree(a);
  mockList.mockResolvedValueOnce(proved);
  const { client, result } = listed([a]);
  await waitFor(() => result.current.plans.has('a'));
  expect(result.current.plans.get('a')).toBe(proved);
  expect(mockStillHold).not.toHaveBeenCalled();
  mockKept.now = 'dormant';
  client.clear();
});

test('kept plans that hold are a list, asked for together, without a search', async () => {
  const views = ['a', 'also a'].map((note) =>
    treeView(detail([{ ...finding('1', 'S', 'DEAD'), note }]), today),
  );
  mockStillHold.mockImplementationOnce(async (list) => list.map(() => true));
  const client = new QueryClient();
  const asked = await Promise.all(views.map((view) => client.fetchQuery(listQuery(client, view, today))));
  expect(asked).toEqual([mockKept, mockKept]);
  expect(mockStillHold).toHaveBeenCalledTimes(1);
  expect(mockList).not.toHaveBeenCalled();
  client.clear();
});

test('without a tree there is nothing to wait for, and what was made of it stays as it is', async () => {
  const { client, result, rerender } = listed([]);
  const none = result.current;
  expect([none.plans.size, none.held.size, none.failed]).toEqual([0, 0, []]);
  // What is asked first, and another list without a tree
  await act(() => new Promise((resolve) => setTimeout(resolve, 5)));
  const kept = result.current;
  rerender({ views: [] });
  await act(() => new Promise((resolve) => setTimeout(resolve, 5)));
  expect(result.current).toBe(kept);
  client.clear();
});

async function waitFor(holds: () => boolean) {
  for (let tries = 0; tries < 100 && !holds(); tries++)
    await act(() => new Promise((resolve) => setTimeout(resolve, 5)));
  expect(holds()).toBe(true);
}
