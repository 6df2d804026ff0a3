// The order of a run is reckoned on its own thread, from the moment in which its trees are known.
import '../workers/importMeta';
import type { RunOrderInput } from '@mortisect/core/plan';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, waitFor } from '@testing-library/react';
import { useRunOrder } from './useRunOrder';

const mockOrder = jest.fn(async ({ trees }: RunOrderInput) => ({ order: trees.map(({ id }) => id) }));
jest.mock('comlink', () => ({ wrap: () => ({ order: mockOrder }) }));
Object.assign(globalThis, { Worker: class {} });

const inputOf = (ids: string[]): RunOrderInput => ({
  trees: ids.map((id, x) => ({ id, class: 'sound', x, y: 0, cleanings: 1 })),
  ...{ start: null, end: null, metresPerMinute: 50 },
});
const client = new QueryClient();
const on = (page: React.ReactElement) => <QueryClientProvider client={client}>{page}</QueryClientProvider>;
beforeEach(() => {
  client.clear();
  mockOrder.mockClear();
});

test('it is asked for while the page is still being drawn, and once', async () => {
  const input = inputOf(['a', 'b']);
  const asked: number[] = [];
  function Page() {
    useRunOrder(input);
    asked.push(mockOrder.mock.calls.length);
    return null;
  }
  render(on(<Page />));
  await waitFor(() => expect(asked.length).toBeGreaterThan(1));
  expect(asked[0]).toBe(1);
  expect(mockOrder.mock.calls).toEqual([[input]]);
});

test('it is told when it is there; the one before stays until then, and of no trees there is none', async () => {
  const told: (string[] | null)[] = [];
  function Page({ input }: { input: RunOrderInput | null }) {
    told.push(useRunOrder(input)?.order ?? null);
    return null;
  }
  const { rerender } = render(on(<Page input={null} />));
  const at = (input: RunOrderInput | null) => rerender(on(<Page input={input} />));
  at(inputOf([]));
  expect(mockOrder).not.toHaveBeenCalled();
  at(inputOf(['a', 'b']));
  await waitFor(() => expect(told.at(-1)).toEqual(['a', 'b']));
  at(inputOf(['c']));
  expect(told.at(-1)).toEqual(['a', 'b']);
  await waitFor(() => expect(told.at(-1)).toEqual(['c']));
  expect(mockOrder).toHaveBeenCalledTimes(2);
  expect(new Set(told.slice(0, 2))).toEqual(new Set([null]));
});
