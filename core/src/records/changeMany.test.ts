// What becomes of many trees at once, and what stays.
import { changesOfMany, TreeSummary } from './index';

const tree = (id: string, more: object = {}) =>
  TreeSummary.parse({
    ...{ id, plotId: 'p', rowId: 'r', code: `Wall ${id}`, plot: 'Wall', row: 'North', place: 7 },
    ...{ species: 'apple', form: 'open centre', heightCm: 300, spreadCm: 200, note: 'by the gate' },
    ...{ revision: 3, by: 'Ann', receivedAt: '2026-11-24T10:00:00Z', openFindings: 2, lastSeenAt: null },
    ...more,
  });
const three = ['a', 'b', 'c'].map((id) => tree(id));

test.each<[Parameters<typeof changesOfMany>[1], object[]]>([
  [{ row: ' South ' }, three.map(() => ({ row: 'South', plot: 'Wall', place: 7, status: 'keep' }))],
  [{ plot: 'Loft' }, three.map(() => ({ plot: 'Loft', row: 'North' }))],
  [{ status: 'removed' }, three.map(() => ({ status: 'removed', row: 'North' }))],
  [{ numbered: true }, [1, 2, 3].map((place) => ({ place }))],
  [{ row: '  ', plot: '' }, []],
  [{}, []],
  [{ row: 'North', plot: 'Wall', status: 'keep' }, []],
])('%j', (change, becomes) => {
  const changes = changesOfMany(three, change);
  expect(changes.map((each) => each.tree)).toEqual(becomes.map((each) => expect.objectContaining(each)));
  // All else stays as it is written, and each is changed on its own revision
  for (const each of changes)
    expect(each).toMatchObject({ baseRevision: 3, tree: { note: 'by the gate', heightCm: 300 } });
  for (const each of changes) expect(each.tree).not.toHaveProperty('openFindings');
});

test('a tree that is so already is left alone', () => {
  const changes = changesOfMany([tree('a', { place: 1 }), tree('b', { place: 5 })], { numbered: true });
  expect(changes.map(({ treeId, code, tree: { place } }) => [treeId, code, place])).toEqual([
    ['b', 'Wall b', 2],
  ]);
});
