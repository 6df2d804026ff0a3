// What the server has planned is read once, then only what is new; who has never read it does not wait for long.
import type { KeptPlan } from '@mortisect/core/plan';
import { QueryClient } from '@tanstack/react-query';
import { KEPT_PLANS, keptPlanOf, keptPlansQuery } from './keptPlans';

const mockAsk = jest.fn();
jest.mock('./api', () => ({ ask: (...asked: unknown[]) => mockAsk(...asked) }));
beforeEach(() => mockAsk.mockReset());

const plan = (stamp: string) => ({ stamp, plan: {}, orders: {} }) as unknown as KeptPlan;
const answer = (revision: string, whole: boolean, stamps: Record<string, string>) => ({
  revision,
  whole,
  plans: Object.entries(stamps).map(([treeId, stamp]) => ({ treeId, ...plan(stamp) })),
});
const newClient = () => new QueryClient({ defaultOptions: { queries: { retry: false, gcTime: 1000 } } });
const stampOf = async (client: QueryClient, treeId: string) =>
  (await keptPlanOf(client, treeId))?.stamp ?? null;

test('read once for all trees, then what is new is laid over it, and a whole answer takes its place', async () => {
  const client = newClient();
  mockAsk.mockResolvedValueOnce(answer('o:2', true, { a: 'a1', b: 'b1' }));
  void client.prefetchQuery(keptPlansQuery(client));
  expect(await Promise.all(['a', 'b', 'c'].map((id) => stampOf(client, id)))).toEqual(['a1', 'b1', null]);
  expect(mockAsk.mock.calls).toEqual([['getKeptPlans', { query: { since: undefined } }]]);

  for (const [news, after] of [
    [answer('o:3', false, { a: 'a2' }), { a: 'a2', b: 'b1' }],
    [answer('p:1', true, { c: 'c1' }), { a: null, b: null, c: 'c1' }],
  ] as const) {
    mockAsk.mockResolvedValueOnce(news);
    await client.invalidateQueries({ queryKey: KEPT_PLANS });
    // Known already: nobody waits for the news
    await keptPlanOf(client, 'a');
    await new Promise((resolve) => setTimeout(resolve));
    for (const [treeId, stamp] of Object.entries(after)) expect(await stampOf(client, treeId)).toBe(stamp);
  }
  expect(mockAsk.mock.calls.map(([, { query }]) => query.since)).toEqual([undefined, 'o:2', 'o:3']);
  client.clear();
});

test('where all were never read, that of one tree is asked for by itself', async () => {
  const client = newClient();
  mockAsk.mockImplementation(async (_, { query: { tree } }) => answer('o:2', false, { [tree]: `${tree}1` }));
  expect(await Promise.all(['a', 'b'].map((id) => stampOf(client, id)))).toEqual(['a1', 'b1']);
  expect(await stampOf(client, 'a')).toBe('a1');
  expect(mockAsk.mock.calls.map(([, { query }]) => query)).toEqual([{ tree: 'a' }, { tree: 'b' }]);
  client.clear();
});

test('without the server, or with one that is slow, there is none for now', async () => {
  const client = newClient();
  mockAsk.mockRejectedValueOnce(new Error('away'));
  expect(await keptPlanOf(client, 'a')).toBeNull();
  jest.useFakeTimers();
  mockAsk.mockReturnValueOnce(new Promise(() => {}));
  const heard = jest.fn();
  void keptPlanOf(client, 'a').then(heard);
  await jest.advanceTimersByTimeAsync(499);
  expect(heard).not.toHaveBeenCalled();
  await jest.advanceTimersByTimeAsync(1);
  expect(heard).toHaveBeenCalledWith(null);
  jest.useRealTimers();
  client.clear();
});
