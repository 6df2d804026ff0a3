// Trees on which nobody found anything, and their plan holds work all the same: they are listed and planned ahead like the others.
import request from 'supertest';
import { NOW, type Orchard, openOrchard } from '../testing/orchard';
import { getOpenWork } from './orchard';
import { putTree } from './trees';

let orchard: Orchard;
beforeAll(async () => {
  orchard = await openOrchard();
});
afterAll(() => orchard.close());

const YEAR = Number(NOW.slice(0, 4));
const idsIn = async (year = YEAR, since?: string) =>
  (await getOpenWork(orchard.store.db, year, since)).trees.map(({ tree }) => tree.id);
const get = (path: string) => request(orchard.app).get(path).set('Host', '127.0.0.1');

test('a pear that is too tall and a young tree are listed with the trees that have findings', async () => {
  const ids = await idsIn();
  // On Net loft 01 seven shoots were counted at a cut, of which one is to stay
  expect(ids).toEqual(
    expect.arrayContaining(['net-loft-01', 'net-loft-06', 'net-loft-10', 'boiler-court-10']),
  );
  expect(new Set(ids).size).toBe(ids.length);
  // Planted three years ago: grown out of training in four
  expect(await idsIn(YEAR + 3)).toContain('boiler-court-10');
  expect(await idsIn(YEAR + 4)).not.toContain('boiler-court-10');
});

test('a height that is set brings a tree into the list at the next question, and one that is taken off takes it out', async () => {
  const { body } = await get('/api/trees/net-loft-02').expect(200);
  const { id, plotId, rowId, revision, by, receivedAt, openFindings, lastSeenAt, ...tree } = body.tree;
  expect(await idsIn()).not.toContain(id);
  const { revision: read } = await getOpenWork(orchard.store.db, YEAR);
  const device = { id: 'device-1', name: 'Wall crew' } as never;
  const write = (baseRevision: number, targetHeightCm: number | null) =>
    putTree(orchard.store.db, { id, baseRevision, tree: { ...tree, targetHeightCm }, device, now: NOW });
  await write(revision, 300);
  expect(await idsIn(YEAR, read)).toEqual([id]);
  // Below the lowest main limb nothing of it would be left
  await expect(write(revision + 1, 10)).rejects.toMatchObject({ status: 422 });
  await write(revision + 1, null);
  const { gone } = await getOpenWork(orchard.store.db, YEAR, read);
  expect(gone).toContain(id);
});

test('a tree whose map holds counted shoots or water sprouts is listed, though nobody found anything', async () => {
  const ids = await idsIn();
  expect(ids).toEqual(expect.arrayContaining(['net-loft-04', 'boiler-court-06', 'lee-wall-13']));
  expect(ids).not.toContain('lee-wall-03');
});

test('its plan over the wire says how tall it is, was to be and will be', async () => {
  const { body } = await get('/api/trees/net-loft-06/plan.json').expect(200);
  expect(body.plan.height).toMatchObject({ targetCm: 350, nowCm: expect.closeTo(560, -1) });
  expect(body.plan.height.afterCm).toHaveLength(3);
  expect(body.plan.handOver).toContain('height T');
});
