// What is read while a page rests, and what not.
import { readQuietly } from './quietly';

const mockPrefetch = jest.fn();
const mockStart = jest.fn();
const mockKnown = new Map<string, unknown>();
jest.mock('./queryClient', () => ({
  queryClient: {
    prefetchQuery: (query: unknown) => mockPrefetch(query),
    getQueryData: ([key]: [string]) => mockKnown.get(key),
  },
  whenNothingIsRead: (_: unknown, work: () => void) => work(),
}));
jest.mock('./queries', () => ({ openWorkQuery: { queryKey: ['open'] } }));
jest.mock('./ofLists', () => ({ readForLists: () => mockPrefetch({ queryKey: ['lists'] }) }));
jest.mock('./keptPlans', () => ({ keptPlansQuery: () => ({ queryKey: ['kept'] }) }));
jest.mock('./planner', () => ({ planner: () => mockStart() }));

beforeEach(() => {
  mockKnown.clear();
  jest.useFakeTimers();
  mockPrefetch.mockReset();
  mockStart.mockReset();
});
afterEach(() => {
  jest.useRealTimers();
  Object.assign(navigator, { connection: undefined });
  Object.assign(globalThis, { requestIdleCallback: undefined });
});

test('the first screen comes first; then open work, kept plans and the thread that plans', () => {
  readQuietly();
  jest.advanceTimersByTime(3999);
  expect(mockStart).not.toHaveBeenCalled();
  jest.advanceTimersByTime(2);
  expect(mockStart).toHaveBeenCalledTimes(1);
  expect(mockPrefetch.mock.calls.map(([query]) => query.queryKey)).toEqual([['lists'], ['open'], ['kept']]);
});

test('where the browser tells when it rests, that is waited for; and it can be taken back', () => {
  const resting: (() => void)[] = [];
  const taken: number[] = [];
  Object.assign(globalThis, {
    requestIdleCallback: (then: () => void) => resting.push(then),
    cancelIdleCallback: (id: number) => taken.push(id),
  });
  const back = readQuietly();
  jest.advanceTimersByTime(4000);
  expect(mockStart).not.toHaveBeenCalled();
  back();
  expect(taken).toEqual([1]);
  resting[0]?.();
  expect(mockStart).toHaveBeenCalledTimes(1);
  // Taken back before its time it never begins
  readQuietly()();
  jest.advanceTimersByTime(9000);
  expect(resting).toHaveLength(1);
});

test('whoever saves data reads what they open, and no more', () => {
  Object.assign(navigator, { connection: { saveData: true } });
  readQuietly();
  jest.advanceTimersByTime(9000);
  expect(mockPrefetch).not.toHaveBeenCalled();
});

test.each([
  [1000, false, 3],
  [1001, false, 1],
  [1001, true, 3],
])('of %d trees, with open work read before: %s', (count, known, reads) => {
  mockKnown.set('trees', { trees: new Array(count) });
  if (known) mockKnown.set('open', { trees: [] });
  readQuietly();
  jest.advanceTimersByTime(4001);
  expect(mockPrefetch).toHaveBeenCalledTimes(reads);
});
