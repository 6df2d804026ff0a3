// The tables of the present say what the history says: folded from it they come out the same, and what was lost comes back.
import { refusal } from '@mortisect/core/refusal';
import { eq, sql } from 'drizzle-orm';
import { findings, history, trees } from '../store/schema';
import { deadOn, deviceId, NOW, newId, type Orchard, openOrchard, requestsTo } from '../testing/orchard';
import { appendBeginnings, completeHistory } from './beginnings';
import { compareTables, rebuild } from './rebuild';

let orchard: Orchard;
beforeAll(async () => {
  orchard = await openOrchard();
  await put(`/api/devices/${deviceId}`, { name: 'Wall crew' }).expect(200);
});
afterAll(() => orchard.close());

const { put, read: get } = requestsTo(() => orchard);
const act = async (action: object) => {
  const id = newId();
  await put(`/api/actions/${id}`, { at: NOW, ...action }).expect(200);
  return id;
};
const db = () => orchard.store.db;
const differences = async (of: Parameters<typeof compareTables>[0]) => (await compareTables(of)).differences;
const TREE = 'slip-side-02';
const dead = deadOn(TREE);
const tree = {
  code: 'New 1',
  plot: 'A new plot',
  row: 'A new row',
  place: 1,
  species: 'apple',
  form: 'open centre',
  heightCm: 300,
  spreadCm: 300,
};

test('the demo orchard, and whatever is written into it, is folded from its history', async () => {
  expect(await differences(db())).toEqual([]);
  const [first, second] = [newId(), newId()];
  for (const id of [first, second])
    await put(`/api/findings/${id}`, { baseRevision: null, finding: dead }).expect(200);
  const step = { kind: 'stepDone', treeId: TREE, what: 'tie down', limbId: 'A', limbName: 'A' };
  await act({ ...step, findingIds: [first] });
  const taken = await act({ ...step, findingIds: [second] });
  await act({ kind: 'undone', actionId: taken });
  await put(`/api/findings/${second}`, { baseRevision: 1, finding: { ...dead, note: 'Again.' } }).expect(200);
  await put(`/api/trees/${newId()}`, { baseRevision: null, tree }).expect(200);
  const { site, revision } = await get('/api/site');
  await put('/api/site', { site: { ...site, name: 'Renamed' }, baseRevision: revision }).expect(200);
  const { limbs, limbsRevision } = await get('/api/trees/net-loft-03');
  const longer = limbs.map((limb: { id: string; ageYears: number }) => ({
    ...limb,
    ageYears: limb.ageYears + 1,
  }));
  const survey = { baseRevision: limbsRevision, surveyedAt: NOW, limbs: longer };
  await put('/api/trees/net-loft-03/limbs', survey).expect(200);
  const job = { treeId: TREE, job: 'guard', dueOn: '2026-12-01', note: '', doneAt: null, withdrawn: false };
  await put(`/api/jobs/${newId()}`, { baseRevision: null, job }).expect(200);
  expect(await differences(db())).toEqual([]);
});

test('what is wrong in a table is found by its id, and a rebuild puts it right', async () => {
  const before = [await get('/api/trees'), await get('/api/open-work'), await get('/api/log?limit=200')];
  const [one, other] = await db().select().from(findings).where(eq(findings.state, 'open')).limit(2);
  if (!one || !other) throw new Error('No findings are open.');
  await db().update(findings).set({ state: 'closed' }).where(eq(findings.id, one.id));
  await db().execute(sql`delete from samples where finding_id = ${other.id}`);
  await db().delete(findings).where(eq(findings.id, other.id));
  await db().update(trees).set({ code: 'Wrong' }).where(eq(trees.id, TREE));
  const found = await differences(db());
  expect(found).toHaveLength(3);
  expect(found).toEqual(
    expect.arrayContaining([
      { table: 'findings', id: one.id, why: 'other' },
      { table: 'findings', id: other.id, why: 'missing' },
      { table: 'trees', id: TREE, why: 'other' },
    ]),
  );
  expect(await rebuild(db())).toEqual([]);
  expect(await differences(db())).toEqual([]);
  expect([await get('/api/trees'), await get('/api/open-work'), await get('/api/log?limit=200')]).toEqual(
    before,
  );
});

test('a line of a kind that this version does not know is named and kept; the rest stands', async () => {
  const line = {
    at: NOW,
    receivedAt: NOW,
    recordId: newId(),
    revision: 1,
    treeId: null,
    deviceId,
    by: 'Later',
  };
  await db()
    .insert(history)
    .values({ ...line, value: { kind: 'dreamt' } as never });
  const { aside } = await compareTables(db());
  expect(aside).toHaveLength(1);
  expect(aside[0]?.why).toEqual(refusal('lineNotUnderstood', { kind: 'dreamt', field: 'value.kind' }));
  expect(await differences(db())).toEqual([]);
  expect(await rebuild(db())).toEqual(aside);
  expect(await db().select().from(history).where(eq(history.recordId, line.recordId))).toHaveLength(1);
  await db().delete(history).where(eq(history.recordId, line.recordId));
});

test('a history that began later than its orchard is completed once, and the log does not show it', async () => {
  const log = await get('/api/log?limit=200');
  await db().execute(sql`delete from history where device_id = 'beginning'`);
  expect((await differences(db())).length).toBeGreaterThan(40);
  await completeHistory(db(), NOW);
  expect(await differences(db())).toEqual([]);
  const lines = async () => (await db().select().from(history)).length;
  const complete = await lines();
  await appendBeginnings(db(), NOW);
  await completeHistory(db(), NOW);
  expect(await lines()).toBe(complete);
  expect((await get('/api/log?limit=200')).entries.length).toBe(log.entries.length);
});
