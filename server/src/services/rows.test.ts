// Rows edited: renamed with their trees in them, walked in another order, and the same when folded from the history.
import { deviceId, newId, type Orchard, openOrchard, requestsTo } from '../testing/orchard';
import { compareTables, rebuild } from './rebuild';

let orchard: Orchard;
beforeAll(async () => {
  orchard = await openOrchard();
  await put(`/api/devices/${deviceId}`, { name: 'Wall crew' }).expect(200);
});
afterAll(() => orchard.close());

const { put, read: get } = requestsTo(() => orchard);
interface RowRead {
  id: string;
  plotId: string;
  name: string;
  spacingCm: number;
  revision: number;
}
const rowsOf = async (plotId?: string): Promise<RowRead[]> => {
  const { rows } = await get('/api/trees');
  return rows.filter((row: RowRead) => plotId === undefined || row.plotId === plotId);
};
const rowOfTree = async (id: string) => (await get(`/api/trees/${id}`)).tree.row;
const same = async () => expect((await compareTables(orchard.store.db)).differences).toEqual([]);
const TREE = 'net-loft-05';

/** The row of a tree in a plot of several. */
async function several(): Promise<{ row: RowRead; at: number; all: RowRead[] }> {
  const { tree } = await get(`/api/trees/${TREE}`);
  const all = await rowsOf(tree.plotId);
  const at = all.findIndex(({ id }) => id === tree.rowId);
  expect(all.length).toBeGreaterThan(1);
  return { row: all[at] as RowRead, at, all };
}

test('a row gets another name and spacing; its trees stay in it, also for a device that has not heard of it', async () => {
  const { row, at } = await several();
  const body = { baseRevision: row.revision, row: { name: 'Behind the sheds', spacingCm: 550, at } };
  const saved = (await put(`/api/rows/${row.id}`, body).expect(200)).body;
  expect(saved).toEqual({ ...row, name: 'Behind the sheds', spacingCm: 550, revision: row.revision + 1 });
  expect(await rowOfTree(TREE)).toBe('Behind the sheds');
  // Sent twice it counts once
  expect((await put(`/api/rows/${row.id}`, body).expect(200)).body).toEqual(saved);
  const { tree } = await get(`/api/trees/${TREE}`);
  const rows = (await rowsOf()).length;
  const { openFindings: _f, lastSeenAt: _s, ...summary } = tree;
  const stale = treeBody({ ...summary, row: row.name, nickname: 'Still the same row' });
  await put(`/api/trees/${TREE}`, { baseRevision: tree.revision, tree: stale }).expect(200);
  expect(await rowOfTree(TREE)).toBe('Behind the sheds');
  expect(await rowsOf()).toHaveLength(rows);
  await same();
  // A new tree in a row of the former name is meant: that row is made
  const added = { ...stale, code: 'Net loft 99', place: 99 };
  const id = newId();
  await put(`/api/trees/${id}`, { baseRevision: null, tree: added }).expect(200);
  expect(await rowOfTree(id)).toBe(row.name);
  expect(await rowsOf()).toHaveLength(rows + 1);
  await same();
  await rebuild(orchard.store.db);
  expect(await rowOfTree(TREE)).toBe('Behind the sheds');
});

test('a row is walked at another place of its plot; the others keep their order', async () => {
  const { row, at, all } = await several();
  const last = all.length - 1;
  const to = at === last ? 0 : last;
  const { name, spacingCm, revision } = row;
  await put(`/api/rows/${row.id}`, { baseRevision: revision, row: { name, spacingCm, at: to } }).expect(200);
  const rest = all.filter(({ id }) => id !== row.id).map(({ id }) => id);
  expect((await rowsOf(row.plotId)).map(({ id }) => id)).toEqual(rest.toSpliced(to, 0, row.id));
  // Farther than the last is the last
  const now = (await several()).row;
  const far = { baseRevision: now.revision, row: { name, spacingCm, at: 999 } };
  await put(`/api/rows/${row.id}`, far).expect(200);
  expect((await rowsOf(row.plotId)).at(-1)?.id).toBe(row.id);
  await same();
});

test('trees of a changed row are read anew by whoever read them before', async () => {
  const { revision } = await get('/api/open-work');
  const { row, at } = await several();
  const body = { name: 'Once more', spacingCm: row.spacingCm, at };
  await put(`/api/rows/${row.id}`, { baseRevision: row.revision, row: body }).expect(200);
  const { trees } = await get(`/api/open-work?since=${encodeURIComponent(revision)}`);
  const named = trees.filter((each: { tree: { rowId: string } }) => each.tree.rowId === row.id);
  expect(named.length).toBeGreaterThan(0);
  expect(new Set(named.map((each: { tree: { row: string } }) => each.tree.row))).toEqual(
    new Set(['Once more']),
  );
});

test.each<[string, (row: RowRead, other: RowRead) => object, number]>([
  [
    'made on an older revision',
    () => ({ baseRevision: null, row: { name: 'Else', spacingCm: 400, at: 0 } }),
    409,
  ],
  [
    'called as another of its plot',
    (row, other) => ({
      baseRevision: row.revision,
      row: { name: other.name.toUpperCase(), spacingCm: 400, at: 0 },
    }),
    422,
  ],
  [
    'without a name',
    (row) => ({ baseRevision: row.revision, row: { name: ' ', spacingCm: 400, at: 0 } }),
    400,
  ],
  [
    'its trees one in another',
    (row) => ({ baseRevision: row.revision, row: { name: 'Else', spacingCm: 19, at: 0 } }),
    400,
  ],
  [
    'its trees out of sight',
    (row) => ({ baseRevision: row.revision, row: { name: 'Else', spacingCm: 3001, at: 0 } }),
    400,
  ],
])('refused: %s', async (_what, body, status) => {
  const { row, all } = await several();
  const other = all.find(({ id }) => id !== row.id) as RowRead;
  await put(`/api/rows/${row.id}`, body(row, other)).expect(status);
  expect((await several()).row).toEqual(row);
});

test('a row that nobody knows', async () => {
  await put('/api/rows/nowhere', { baseRevision: 1, row: { name: 'A', spacingCm: 400, at: 0 } }).expect(404);
});

/** What a device sends of a tree: what it has read, without what the server adds. */
function treeBody(tree: Record<string, unknown>): object {
  const { id, plotId, rowId, revision, by, receivedAt, limbsRevision, surveyedAt, ...body } = tree;
  return body;
}
