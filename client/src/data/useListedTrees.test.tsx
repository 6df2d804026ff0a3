// Lists are the server’s; what was changed here is listed here until the server has it; and where its list is of another day, this device lists all it knows.
import '../workers/importMeta';
import { treeView } from '@mortisect/core/present';
import { type ListedTree, standIn } from '@mortisect/core/run';
import { listedTreesOf } from '@mortisect/core/testing';
import { act, waitFor } from '@testing-library/react';
import { FakeServer } from '../testing/fakeServer';
import { allSent, show } from '../testing/here';
import { detail, did, finding, NOW, today } from '../testing/orchard';
import { enqueue } from './outbox';
import { queryClient } from './queryClient';
import { useTouched } from './touched';
import { type Listed, newestOf, useListedTrees } from './useListedTrees';

jest.mock('expo-router', () => require('../testing/here').router);
jest.mock('comlink', () => require('../testing/here').comlink);

const ID = (n: number) => `0193f000-0000-7000-8000-0000000000${n}`;
const [canker, dead] = [finding(ID(11), 'S', 'FB_CANK_A'), finding(ID(12), 'R', 'DEAD')];
const treeOf = (id: string, place: number, findings: Parameters<typeof detail>[0]) =>
  detail(
    findings.map((each, i) => ({ ...each, id: ID(place * 10 + i), treeId: id })),
    { id, code: `Tree ${id}`, place },
  );
const [a, b] = [treeOf('a', 1, [canker]), treeOf('b', 2, [dead])];
/** A server that has planned both. */
const listsOf = (trees: ListedTree[], more: object = {}) => ({
  ...{ revision: 'o:1', whole: true, day: NOW.slice(0, 10), siteRevision: 1, gone: [], latestActions: [] },
  ...{ trees, ...more },
});
const planned = listedTreesOf([treeView(b, today), treeView(a, today)], today);

let listed: Listed | null = null;
/** Whether each time it was drawn something was listed. */
const drawn: boolean[] = [];
/** How many cuts each time on tree b. */
const drawnCuts: number[] = [];
function Probe() {
  listed = useListedTrees().listed;
  drawn.push(listed !== null);
  drawnCuts.push(of('b')?.cuts.length ?? 0);
  return null;
}
function open(answer: object): FakeServer {
  useTouched.setState({ at: new Map() });
  listed = null;
  drawn.length = 0;
  const server = new FakeServer([a, b]);
  server.instead.set('getListedTrees', () => answer);
  show(<Probe />, server);
  return server;
}
const revisionHere = () =>
  queryClient.getQueryData<{ revision: string }>(['listed-trees', 'metric'])?.revision;
const codes = () => listed?.trees.map(({ tree }) => tree.id);
const of = (id: string) => listed?.trees.find(({ tree }) => tree.id === id);
const asked = (server: FakeServer, name: string) => server.asked.filter((each) => each.name === name).length;

test('what the server has planned is shown as it lists it, in walking order, and no record of a tree is read', async () => {
  const server = open(listsOf(planned));
  await waitFor(() => expect(listed?.trees).toHaveLength(2));
  await waitFor(() => expect(codes()).toEqual(['a', 'b']));
  expect(listed).toMatchObject({ ready: true, current: true, failed: [] });
  expect(listed?.trees.toSorted((x, y) => (x.tree.id < y.tree.id ? 1 : -1))).toEqual(planned);
  expect(['getTree', 'getOpenWork', 'getKeptPlans'].map((name) => asked(server, name))).toEqual([0, 0, 0]);
});

test('what is recorded here is left out at once, and stays out until the server lists it so', async () => {
  const server = open(listsOf(planned));
  await waitFor(() => expect(listed?.current).toBe(true));
  server.down = true;
  const cut = of('b')?.cuts[0];
  const { state, revision, by, receivedAt, id, ...body } = b.findings[0] as (typeof b.findings)[number];
  queryClient.setQueryData(['tree', 'b'], b);
  await act(() =>
    enqueue('putFinding', id, {
      params: { findingId: id },
      body: { baseRevision: 1, finding: { ...body, withdrawn: true } },
    }),
  );
  expect(cut?.findingIds).toEqual([id]);
  await waitFor(() => expect(codes()).toEqual(['a']));
  // The server has it; what it lists is of before, and was asked for before
  server.down = false;
  await allSent();
  await waitFor(() => expect(asked(server, 'putFinding')).toBeGreaterThan(0));
  server.instead.set('getListedTrees', () => listsOf([planned[1] as ListedTree], { revision: 'o:2' }));
  await act(() => queryClient.invalidateQueries({ queryKey: ['listed-trees'] }));
  await waitFor(() => expect(revisionHere()).toBe('o:2'));
  expect(codes()).toEqual(['a']);
  expect(listed?.current).toBe(true);
});

test('what was marked here stays in the list when the server’s list comes before its plan: a run went back to the cut of before, and forth', async () => {
  const [one, two] = [treeOf('b', 2, [dead]), treeOf('b', 2, [dead, canker])];
  const [ofOne, ofTwo] = [one, two].map((each) => listedTreesOf([treeView(each, today)], today)[0]) as [
    ListedTree,
    ListedTree,
  ];
  expect([ofOne.cuts.length, ofTwo.cuts.length]).toEqual([1, 2]);
  const server = open(listsOf([ofOne]));
  await waitFor(() => expect(of('b')?.cuts).toHaveLength(1));
  server.details.set('b', two);
  act(() => useTouched.getState().touch(['b']));
  await waitFor(() => expect(of('b')).toEqual(ofTwo));
  drawnCuts.length = 0;
  const read = async (trees: ListedTree[], revision: string) => {
    server.instead.set('getListedTrees', () => listsOf(trees, { revision }));
    await act(() => queryClient.invalidateQueries({ queryKey: ['listed-trees'] }));
    await waitFor(() => expect(revisionHere()).toBe(revision));
    await waitFor(() => expect(listed?.current).toBe(true));
  };
  await read([{ ...ofOne, current: false }], 'o:2');
  // Something done there that no plan rests on, once more before the server has planned
  server.details.set('b', {
    ...two,
    actions: [did({ kind: 'stationTaken', at: NOW, treeId: 'b', station: 'ground' })],
  });
  await act(() => queryClient.invalidateQueries({ queryKey: ['tree'] }));
  act(() => useTouched.getState().touch(['b']));
  await read([{ ...ofOne, current: false }], 'o:3');
  expect(new Set(drawnCuts)).toEqual(new Set([2]));
  // Another device has cut one of them: what the server has planned since counts
  server.details.set('b', one);
  await read([ofOne], 'o:4');
  expect(of('b')).toEqual(ofOne);
});

test('the newest of what was listed of a tree', () => {
  const [own] = listedTreesOf([treeView(a, today)], today) as [ListedTree];
  const [before, later] = [{ ...own }, { ...own }];
  const waits = { ...own, current: false };
  expect(newestOf(undefined, before)).toBe(before);
  expect(newestOf({ own, over: before }, before)).toBe(own);
  expect(newestOf({ own, over: before }, waits)).toBe(own);
  expect(newestOf({ own, over: before }, undefined)).toBe(own);
  expect(newestOf({ own, over: before }, later)).toBe(later);
  expect(newestOf(undefined, undefined)).toBeUndefined();
});

test('until a tree that changed here is planned anew, it stands as it did with what is done left out', async () => {
  const two = treeOf('b', 2, [dead, canker]);
  const [twoPlanned] = listedTreesOf([treeView(two, today)], today) as [ListedTree];
  const [gone] = two.findings;
  const after = { ...two, findings: two.findings.slice(1) };
  const now = standIn(twoPlanned, treeView(after, today), today);
  expect(twoPlanned.cuts.some(({ findingIds }) => findingIds.includes(gone?.id ?? ''))).toBe(true);
  expect(now.cuts.some(({ findingIds }) => findingIds.includes(gone?.id ?? ''))).toBe(false);
  const server = open(listsOf([twoPlanned]));
  server.details.set('b', after);
  await waitFor(() => expect(listed?.current).toBe(true));
  act(() => useTouched.getState().touch(['b']));
  await waitFor(() => expect(of('b')).toEqual(now));
  // Then by a plan of its own
  await waitFor(() => expect(of('b')?.current).toBe(true));
  expect(of('b')).toEqual(listedTreesOf([treeView(after, today)], today)[0]);
});

test.each([
  ['of yesterday', { day: '2026-11-23' }],
  ['of other settings', { siteRevision: 7 }],
])('a list %s is read once more; where no other comes this device lists what it knows', async (_, more) => {
  const server = open(listsOf(planned, more));
  await waitFor(() => expect(listed?.current).toBe(true));
  expect(asked(server, 'getListedTrees')).toBe(2);
  expect(asked(server, 'getOpenWork')).toBe(1);
  expect(listed?.trees).toEqual(planned.toReversed());
  // A page that stands does not go away meanwhile
  expect(drawn.slice(drawn.indexOf(true))).not.toContain(false);
});

test('without the server, from the records that were read last; without those it says so', async () => {
  useTouched.setState({ at: new Map() });
  const server = new FakeServer([a, b]);
  server.down = true;
  show(<Probe />, server);
  await act(async () => {
    queryClient.setQueryData(['site'], server.site);
    queryClient.setQueryData(['open-work'], {
      ...{ revision: 'o:1', whole: true, trees: [a, b], gone: [], latestActions: [] },
    });
  });
  await waitFor(() => expect(listed?.current).toBe(true));
  expect(codes()).toEqual(['a', 'b']);
  expect([of('a')?.cuts.length, of('b')?.cuts.length]).toEqual([1, 1]);
});

test('without the server on another day, and without records: the list of before, which no plan of today stands behind', async () => {
  const server = open(listsOf(planned));
  await waitFor(() => expect(listed?.current).toBe(true));
  server.down = true;
  act(() => {
    queryClient.setQueryData(['listed-trees', 'metric'], listsOf(planned, { day: '2026-11-23' }));
  });
  await waitFor(() => expect(listed?.current).toBe(false));
  expect(listed?.trees).toEqual(planned.toReversed().map((tree) => ({ ...tree, current: false })));
});

test('few that the server has not planned are planned here; more are read all together', async () => {
  const unplanned = (count: number) =>
    Array.from({ length: count }, (_, i) => treeOf(`t${i}`, i + 1, [dead]));
  for (const [count, reads] of [
    [8, 0],
    [9, 1],
  ] as const) {
    const trees = unplanned(count);
    const server = new FakeServer(trees);
    useTouched.setState({ at: new Map() });
    show(<Probe />, server);
    await waitFor(() =>
      expect([codes()?.length, listed]).toMatchObject([count, { ready: true, current: true }]),
    );
    expect([asked(server, 'getOpenWork'), asked(server, 'getTree')]).toEqual([reads, reads ? 0 : count]);
    expect(codes()).toHaveLength(count);
  }
});
