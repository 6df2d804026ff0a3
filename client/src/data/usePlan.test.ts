// A search that was given up before its proof is taken up again, whichever way its tree comes back.
import '../workers/importMeta';
import type { Solved } from '@mortisect/core/plan';
import { planInputOf, treeView } from '@mortisect/core/present';
import { plansOf } from '@mortisect/core/testing';
import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { detail, finding, today } from '../testing/orchard';
import { planQuery } from './usePlan';

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

async function waitFor(holds: () => boolean) {
  for (let tries = 0; tries < 100 && !holds(); tries++)
    await new Promise((resolve) => setTimeout(resolve, 5));
  expect(holds()).toBe(true);
}
