// A tree that was never opened on this device, while the server is away.
import { QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import { createElement, type ReactNode } from 'react';
import { FakeServer, refused } from '../testing/fakeServer';
import { detail, did, finding, NOW } from '../testing/orchard';
import { NoAnswer, ServerProblem } from './api';
import { openWorkQuery, readPlots, readTree, useRound, useRunActions, useTrees } from './queries';
import { queryClient } from './queryClient';

const tree = detail([finding('0193f000-0000-7000-8000-000000000001', 'S', 'DEAD')]);
const openWork = { revision: 'o:1', whole: true, trees: [tree], gone: [], latestActions: [] };
let server: FakeServer;
beforeEach(() => {
  server = new FakeServer([tree]).install();
});
afterEach(() => queryClient.clear());

test('it is shown from the list of open work, and from nowhere where it is not listed', async () => {
  queryClient.setQueryData(['open-work'], openWork);
  server.down = true;
  expect(await readTree('a')).toEqual(tree);
  await expect(readTree('b')).rejects.toBeInstanceOf(NoAnswer);
  expect(queryClient.getQueryData(['tree', 'b'])).toBeUndefined();
});

test('what was read of the tree itself is not overtaken by an older list', async () => {
  const newer = { ...tree, limbsRevision: tree.limbsRevision + 1 };
  queryClient.setQueryData(['open-work'], openWork);
  queryClient.setQueryData(['tree', 'a'], newer, { updatedAt: 1 });
  server.down = true;
  await expect(readTree('a')).rejects.toBeInstanceOf(NoAnswer);
  expect(queryClient.getQueryData(['tree', 'a'])).toEqual(newer);
});

test.each([
  ['getOpenWork', openWork, () => queryClient.fetchQuery(openWorkQuery)],
  ['getPlotTrees', { trees: [tree] }, () => readPlots(['plot'])],
] as const)(
  'what was sent of a tree while it is on its way with others (%s) stays; what was read before gives way',
  async (route, answer, read) => {
    const newer = { ...tree, limbsRevision: tree.limbsRevision + 1 };
    server.instead.set('getOpenWork', () => ({ ...openWork, trees: [] }));
    server.instead.set(route, () => {
      queryClient.setQueryData(['tree', 'a'], newer);
      return answer;
    });
    await read();
    expect(queryClient.getQueryData(['tree', 'a'])).toEqual(newer);
    queryClient.clear();
    queryClient.setQueryData(['tree', 'a'], newer, { updatedAt: Date.now() - 10 });
    server.instead.set(route, () => answer);
    await read();
    expect(queryClient.getQueryData(['tree', 'a'])).toEqual(tree);
  },
);

test('a server that says no is believed', async () => {
  queryClient.setQueryData(['open-work'], openWork);
  server.instead.set('getTree', () => {
    throw refused(404, 'Tree a is not there.');
  });
  await expect(readTree('a')).rejects.toBeInstanceOf(ServerProblem);
  server.down = true;
  queryClient.clear();
  await expect(readTree('a')).rejects.toBeInstanceOf(NoAnswer);
});

const OF_THE_DAY = [
  ['open-work'],
  ['kept-plans'],
  ['run'],
  ['aftercare'],
  ['people'],
  ['jobs'],
  ['timing', 'site'],
];

test('what Today, Plan and Cut go by comes onto the device with the trees of a round', async () => {
  await readPlots(['plot']);
  server.down = true;
  for (const key of [['tree', 'a'], ...OF_THE_DAY])
    expect([key, queryClient.getQueryData(key) !== undefined]).toEqual([key, true]);
});

test('what cannot be read is told once the rest has been', async () => {
  server.instead.set('getOpenWork', () => {
    throw refused(503, 'The server is starting.');
  });
  await expect(readPlots(['plot'])).rejects.toBeInstanceOf(ServerProblem);
  expect(OF_THE_DAY.filter((key) => queryClient.getQueryData(key) === undefined)).toEqual([['open-work']]);
});

test.each([
  ['trees', () => useTrees()],
  ['run', () => useRunActions()],
  ['round', () => useRound()],
] as const)(
  'whoever shows the %s is drawn anew by what is new in it, and not by being read again',
  async (key, use) => {
    let drawn = 0;
    const { unmount } = renderHook(
      () => {
        drawn++;
        return use();
      },
      {
        wrapper: ({ children }: { children: ReactNode }) =>
          createElement(QueryClientProvider, { client: queryClient }, children),
      },
    );
    await waitFor(() => expect(queryClient.getQueryData([key])).toBeTruthy());
    await act(() => queryClient.refetchQueries({ queryKey: [key] }));
    const before = drawn;
    const asked = server.asked.length;
    await act(() => queryClient.refetchQueries({ queryKey: [key] }));
    expect([server.asked.length, drawn]).toEqual([asked + 1, before]);
    server.actions = [
      did({ kind: 'treeSeen', at: NOW, treeId: 'a', verdict: 'sound', seen: 'all round' }),
      { ...did({ kind: 'bladeSharpened', at: NOW, blade: 'saw' }), id: tree.findings[0]?.id ?? '' },
    ];
    server.details.set('a', { ...tree, tree: { ...tree.tree, code: 'Tree Z' } });
    await act(() => queryClient.refetchQueries({ queryKey: [key] }));
    await waitFor(() => expect(drawn).toBeGreaterThan(before));
    unmount();
  },
);
