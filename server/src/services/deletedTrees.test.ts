// A tree that somebody deletes: in no list from then on, taken back for thirty days, then gone with all that is on record of it.
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { DeletedTrees } from '@mortisect/contracts';
import { type TreeSummary, treeBodyOf } from '@mortisect/core/records';
import { count, eq, sql } from 'drizzle-orm';
import { pino } from 'pino';
import sharp from 'sharp';
import { actions, findings, history, jobs, plans, samples, tasks, trees } from '../store/schema';
import { deadOn, deviceId, NOW, newId, type Orchard, openOrchard, requestsTo } from '../testing/orchard';
import { deleteTree, markDeletedTrees } from './deletedTrees';
import { KEPT_MS } from './keptDays';
import { putPhoto } from './photos';
import { compareTables } from './rebuild';
import { later, workThrough } from './tasks';

const TREE = 'net-loft-01';
const DAYS_30 = 30 * 24 * 3600_000;
const folder = mkdtempSync(path.join(tmpdir(), 'deleted-'));
let orchard: Orchard;
const db = () => orchard.store.db;
const { put, read, get } = requestsTo(() => orchard);

beforeAll(async () => {
  orchard = await openOrchard('memory', { photoFolder: folder });
  await put(`/api/devices/${deviceId}`, { name: 'Wall crew' }).expect(200);
});
afterAll(async () => {
  await orchard.close();
  rmSync(folder, { recursive: true });
});

const summary = async (): Promise<TreeSummary> => (await read(`/api/trees/${TREE}`)).tree;
/** Deletes the tree, or takes it back. */
const mark = async (deleted: boolean, more: object = {}) => {
  const tree = await summary();
  const { deleted: _before, ...body } = treeBodyOf(tree);
  return put(`/api/trees/${TREE}`, {
    baseRevision: tree.revision,
    tree: { ...body, ...more, ...(deleted && { deleted: true }) },
  });
};
const deleted = async (): Promise<DeletedTrees> => read('/api/deleted-trees');
const workAfter = async (ms: number) => {
  const [task] = await db().select().from(tasks).where(eq(tasks.kind, 'tree'));
  const at = new Date(Date.parse(task?.askedAt ?? NOW) + ms).toISOString();
  return workThrough({
    db: db(),
    kinds: { tree: { afterMs: KEPT_MS, work: (tx, { subject }) => deleteTree(tx, folder, subject) } },
    log: pino({ level: 'silent' }),
    clock: () => at,
  });
};
/** Every list that names trees, by whether it names this one. */
const namedIn = async () => {
  const texts = {
    register: JSON.stringify((await read('/api/trees')).trees),
    'open work': JSON.stringify((await read('/api/open-work')).trees),
    plot: JSON.stringify((await read('/api/plots/net-loft/trees')).trees),
    csv: (await get('/api/trees.csv').expect(200)).text,
    geojson: JSON.stringify((await get('/api/trees.geojson').expect(200)).body),
    jobs: JSON.stringify(await read('/api/jobs')),
    aftercare: JSON.stringify(await read('/api/aftercare')),
    days: JSON.stringify((await read('/api/timing')).treesOf),
  };
  return Object.entries(texts).flatMap(([name, text]) =>
    /net-loft-01|Net loft 01/.test(text) ? [name] : [],
  );
};

test('a deleted tree is in no list, and back in each when it is taken back', async () => {
  const cut = {
    limbId: 'A',
    limbName: 'A',
    atCm: 30,
    kind: 'stub',
    diameterMm: 20,
    clearanceCm: 10,
    shortfallCm: 0,
    sentence: '',
  };
  await put(`/api/findings/${newId()}`, { baseRevision: null, finding: deadOn(TREE) }).expect(200);
  await put(`/api/actions/${newId()}`, {
    kind: 'cutMade',
    at: NOW,
    treeId: TREE,
    blade: 'x',
    findingIds: [],
    cut,
  }).expect(200);
  await put(`/api/jobs/${newId()}`, {
    baseRevision: null,
    job: { treeId: TREE, job: 'stake', dueOn: '2026-12-01', note: '', doneAt: null, withdrawn: false },
  }).expect(200);
  const before = await namedIn();
  expect(before).toEqual(
    expect.arrayContaining(['register', 'open work', 'plot', 'csv', 'jobs', 'aftercare', 'days']),
  );
  const { revision } = await read('/api/open-work');
  await mark(true).then(({ status }) => expect(status).toBe(200));
  expect(await namedIn()).toEqual([]);
  // Whoever asks for changes only is told that it went
  expect((await read(`/api/open-work?since=${encodeURIComponent(revision)}`)).gone).toEqual([TREE]);
  expect(await deleted()).toEqual({
    keptDays: 30,
    trees: [{ treeId: TREE, code: 'Net loft 01', plot: 'Net loft', row: expect.any(String), daysLeft: 30 }],
  });
  expect((await compareTables(db())).differences).toEqual([]);
  // It is there for whoever has its address
  expect((await summary()).deleted).toBe(true);
  await mark(false).then(({ status }) => expect(status).toBe(200));
  expect(await namedIn()).toEqual(before);
  expect((await deleted()).trees).toEqual([]);
  expect(await workAfter(DAYS_30)).toBe(0);
});

test('its code is free meanwhile; taken back it needs one of its own', async () => {
  await mark(true);
  const { deleted: _deleted, ...body } = treeBodyOf(await summary());
  const other = newId();
  await put(`/api/trees/${other}`, { baseRevision: null, tree: { ...body, code: 'NET LOFT 01' } }).expect(
    200,
  );
  const refused = await mark(false);
  expect(refused.status).toBe(422);
  expect(refused.body.detail).toBe('There is a tree with the code Net loft 01 already.');
  expect((await deleted()).trees).toHaveLength(1);
  expect((await mark(false, { code: 'Net loft 01 b' })).status).toBe(200);
  expect((await mark(true)).status).toBe(200);
  // The days begin with the mark, and an edit of a deleted tree does not begin them anew
  await db().execute(sql`update tasks set asked_at = now() - interval '10 days'`);
  expect((await mark(true, { note: 'Twin of another.' })).status).toBe(200);
  expect((await deleted()).trees).toMatchObject([{ code: 'Net loft 01 b', daysLeft: 20 }]);
});

test('after thirty days it goes with its records, its history and the photos that only it shows', async () => {
  const jpeg = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#445' } })
    .jpeg()
    .toBuffer();
  const [own, shared, removed] = [newId(), newId(), newId()] as [string, string, string];
  for (const id of [own, shared, removed]) await putPhoto(folder, id, jpeg);
  const [findingId, sampleId] = [newId(), newId()];
  const finding = { ...deadOn(TREE), photoIds: [own, shared, removed] };
  await put(`/api/findings/${findingId}`, { baseRevision: null, finding }).expect(200);
  await put(`/api/findings/${findingId}`, {
    baseRevision: 1,
    finding: { ...finding, photoIds: [own, shared] },
  }).expect(200);
  await put(`/api/findings/${newId()}`, {
    baseRevision: null,
    finding: { ...deadOn('net-loft-02'), limbId: 'T', limbName: 'T', photoIds: [shared] },
  }).expect(200);
  await put(`/api/actions/${sampleId}`, {
    kind: 'sampleSent',
    at: NOW,
    treeId: TREE,
    findingId,
    label: 'S-1',
  }).expect(200);
  await db()
    .insert(plans)
    .values({ treeId: TREE, stamp: 's', code: 'c', value: {} as never });
  const tables = [trees, findings, actions, jobs, history];
  const counts = async () =>
    Promise.all(tables.map(async (table) => (await db().select({ n: count() }).from(table))[0]?.n as number));
  const ofTree = async () =>
    Promise.all(
      [findings, actions, jobs, history].map(
        async (table) =>
          (await db().select({ n: count() }).from(table).where(eq(table.treeId, TREE)))[0]?.n as number,
      ),
    );
  const [before, own4] = [await counts(), await ofTree()];
  expect(own4.every((n) => n > 0)).toBe(true);
  expect(await workAfter(DAYS_30 - 1)).toBe(0);
  expect(await counts()).toEqual(before);
  expect(await workAfter(DAYS_30)).toBe(1);
  expect(await counts()).toEqual(before.map((n, i) => n - (i === 0 ? 1 : (own4[i - 1] as number))));
  await get(`/api/trees/${TREE}`).expect(404);
  expect((await deleted()).trees).toEqual([]);
  expect(await db().select().from(samples).where(eq(samples.findingId, findingId))).toEqual([]);
  expect(await db().select().from(plans).where(eq(plans.treeId, TREE))).toEqual([]);
  const waiting = (await db().select().from(tasks)).map(({ subject }) => subject);
  expect([sampleId, own, shared, removed].filter((id) => waiting.includes(id))).toEqual([]);
  expect([own, shared, removed].map((id) => existsSync(path.join(folder, `${id}.jpg`)))).toEqual([
    false,
    true,
    false,
  ]);
  // What is left agrees with its history, and a phone that comes late is told
  expect(await compareTables(db())).toEqual({ differences: [], aside: [] });
  const late = await put(`/api/findings/${newId()}`, { baseRevision: null, finding: deadOn(TREE) });
  expect([late.status, late.body.detail]).toEqual([422, `Tree ${TREE} is not in this orchard.`]);
});

test('one that came deleted with an archive has thirty days here; one that is marked keeps its day', async () => {
  const id = 'net-loft-02';
  const tree = (await read(`/api/trees/${id}`)).tree as TreeSummary;
  await put(`/api/trees/${id}`, {
    baseRevision: tree.revision,
    tree: { ...treeBodyOf(tree), deleted: true },
  }).expect(200);
  await db().delete(tasks);
  await markDeletedTrees(db());
  expect((await deleted()).trees).toMatchObject([{ treeId: id, daysLeft: 30 }]);
  await db().execute(sql`update tasks set asked_at = now() - interval '29 days 12 hours'`);
  await markDeletedTrees(db());
  expect((await deleted()).trees).toMatchObject([{ treeId: id, daysLeft: 1 }]);
});

test('one that is not marked any more when its days are over stays', async () => {
  await db().delete(tasks);
  await later(db(), 'tree', ['net-loft-03']);
  expect(await workAfter(DAYS_30)).toBe(1);
  expect((await read('/api/trees/net-loft-03')).findings.length).toBeGreaterThan(0);
  expect(await db().select().from(tasks)).toEqual([]);
});
