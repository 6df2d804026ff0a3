// What is asked for before the first page is drawn.
import { readFirst } from './firstReads';
import { usePreferences } from './preferences';

const mockPrefetch = jest.fn();
const mockWords = jest.fn();
jest.mock('./queryClient', () => ({
  queryClient: { prefetchQuery: ({ queryKey }: { queryKey: string[] }) => mockPrefetch(queryKey[0]) },
}));
jest.mock('./listedTrees', () => ({
  listedTreesQuery: (units: string) => ({ queryKey: [`listed ${units}`] }),
  unitsHere: () => 'us',
}));
jest.mock('./catalogues', () => ({ readWordsAhead: (places: string[]) => mockWords(places) }));
jest.mock('./queries', () =>
  Object.fromEntries(
    ['health', 'round', 'run', 'session', 'site', 'timing', 'trees'].map((name) => [
      `${name}Query`,
      { queryKey: [name] },
    ]),
  ),
);

test.each([
  ['round', 'Wall crew', ['session', 'health', 'trees', 'round']],
  ['plan', 'Wall crew', ['session', 'health', 'listed us', 'timing', 'run', 'site']],
  ['book', 'Wall crew', ['session', 'health']],
  ['round', '', ['session', 'health']],
] as const)('%s, on the device of “%s”', (place, person, asked) => {
  for (const mock of [mockPrefetch, mockWords]) mock.mockReset();
  usePreferences.setState({ person });
  readFirst(place);
  expect(mockWords.mock.calls).toEqual([[['shared', 'tables', 'trade', 'fault', place]]]);
  expect(mockPrefetch.mock.calls.map(([name]) => name)).toEqual(asked);
});
