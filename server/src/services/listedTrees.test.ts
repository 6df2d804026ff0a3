// Trees as lists take them: as the app makes them of the same records and plans; then only what changed, and the plan of before until there is another.
import { appRoutes } from '@mortisect/contracts';
import type { KeptPlan } from '@mortisect/core/plan';
import { siteToday, treeView } from '@mortisect/core/present';
import { listedTreeOf } from '@mortisect/core/run';
import { sql } from 'drizzle-orm';
import { pino } from 'pino';
import { deadOn, deviceId, NOW, newId, type Orchard, openOrchard, requestsTo } from '../testing/orchard';
import { type KeptPlans, makePlanKeeper, type PlanKeeper } from './keptPlans';
import type { ListedTrees } from './listedTrees';

let orchard: Orchard;
let keeper: PlanKeeper;

beforeAll(async () => {
  orchard = await openOrchard();
  keeper = makePlanKeeper({
    ...{ db: orchard.store.db, pool: orchard.pool, now: () => NOW, onKept: () => {} },
    log: pino({ level: 'silent' }),
  });
  await put(`/api/devices/${deviceId}`, { name: 'Wall crew' }).expect(200);
});
afterAll(async () => {
  await keeper.close();
  await orchard.close();
});

const { put, get: ask, read: get } = requestsTo(() => orchard);
const listed = async (since?: string, units = 'metric'): Promise<ListedTrees> =>
  appRoutes.getListedTrees.response.parse(
    await get(`/api/listed-trees?units=${units}${since ? `&since=${encodeURIComponent(since)}` : ''}`),
  );
const planned = async () => {
  keeper.wake();
  await keeper.rested();
};
const codes = ({ trees }: ListedTrees) => trees.map(({ tree }) => tree.id).sort();

const TREE = 'slip-side-02';
const finding = deadOn(TREE);
const id = newId();
let last: ListedTrees;

test('before anything is planned every tree says what was found, and that it has no plan', async () => {
  last = await listed();
  expect(last).toMatchObject({ whole: true, day: NOW.slice(0, 10), siteRevision: 1, gone: [] });
  expect(last.trees.map(({ current, due, cuts }) => [current, due, cuts.length])).toEqual(
    last.trees.map(() => [false, null, 0]),
  );
});

test('planned, each is as the app would list it, in the units that were asked for', async () => {
  await planned();
  const { site, paces } = appRoutes.getSite.response.parse(await get('/api/site'));
  const open = appRoutes.getOpenWork.response.parse(await get('/api/open-work'));
  const { plans } = (await get('/api/plans')) as KeptPlans;
  for (const units of ['metric', 'us'] as const) {
    const today = siteToday(site, units, NOW.slice(0, 10), paces);
    const { trees } = await listed(undefined, units);
    expect(trees).toHaveLength(open.trees.length);
    for (const detail of open.trees) {
      const plan = plans.find(({ treeId }) => treeId === detail.tree.id) as KeptPlan;
      const { due, ...here } = listedTreeOf(treeView(detail, today), plan, today, true);
      // No list asks for visits after the one at hand, or what this one is worth
      const listed = { ...here, due: due && { ...due, worth: null, ahead: [] } };
      expect(trees.find(({ tree }) => tree.id === detail.tree.id)).toEqual(listed);
    }
  }
  // What was planned since it was read last
  const after = await listed(last.revision);
  expect([after.whole, after.trees.length]).toEqual([false, open.trees.length]);
  last = await listed(after.revision);
  expect([last.whole, last.trees, last.gone]).toEqual([false, [], []]);
  expect(last.latestActions.length).toBeGreaterThan(0);
});

test('a tree that changed comes by the plan of before, then by its own; once nothing is open it goes', async () => {
  await put(`/api/findings/${id}`, { baseRevision: null, finding }).expect(200);
  const found = await listed(last.revision);
  expect(codes(found)).toEqual([TREE]);
  expect(found.trees[0]).toMatchObject({ current: false, findings: [{ id }] });
  await planned();
  const after = await listed(found.revision);
  expect(codes(after)).toEqual([TREE]);
  expect(after.trees[0]).toMatchObject({ current: true, cuts: [{ findingIds: [id] }], due: { steps: 2 } });
  await put(`/api/findings/${id}`, { baseRevision: 1, finding: { ...finding, withdrawn: true } }).expect(200);
  const gone = await listed(after.revision);
  expect([gone.trees, gone.gone]).toEqual([[], [TREE]]);
  // Whoever read it before that is told too; whoever reads for the first time never hears of it
  expect((await listed(last.revision)).gone).toEqual([TREE]);
  const first = await listed();
  expect([first.gone, codes(first).includes(TREE)]).toEqual([[], false]);
  last = gone;
});

test('all of it goes compressed to whoever takes that, to others as it is; anew once anything was recorded', async () => {
  const all = (encoding: string) =>
    ask('/api/listed-trees?units=metric').set('Accept-Encoding', encoding).expect(200);
  const [packed, shorter, plain] = [await all('gzip'), await all('gzip, br'), await all('identity')];
  const answers = [packed, shorter, plain];
  expect(answers.map(({ headers }) => headers['content-encoding'])).toEqual(['gzip', 'br', undefined]);
  for (const answer of answers) {
    expect(answer.body).toEqual(packed.body);
    expect(answer.headers.vary).toBe('Accept-Encoding');
  }
  const actionId = newId();
  const sharpened = { kind: 'bladeSharpened', at: NOW, blade: 'saw 1' };
  await put(`/api/actions/${actionId}`, sharpened).expect(200);
  const isTold = (answer: { body: ListedTrees }) =>
    answer.body.latestActions.some((each) => each.id === actionId);
  expect([isTold(packed), isTold(await all('gzip'))]).toEqual([false, true]);
});

test('nothing is filled in by whoever reads it, of records of an earlier version neither', async () => {
  const { db } = orchard.store;
  const pin = { kind: 'goes', candidateId: 'A whole', season: 1 };
  const set = { kind: 'planPinned', at: NOW, treeId: TREE, pin };
  const pinId = newId();
  await put(`/api/actions/${pinId}`, set).expect(200);
  await db.execute(sql`update actions set value = value #- '{pin,season}' where id = ${pinId}`);
  await db.execute(sql`update trees set value = value - 'hazards'`);
  const { site, revision } = await get('/api/site');
  await put('/api/site', { baseRevision: revision, site: { ...site, season: 'autumn' } }).expect(200);
  const all = await get('/api/listed-trees?units=metric');
  expect(appRoutes.getListedTrees.response.parse(all)).toEqual(all);
  expect(all.trees.length).toBeGreaterThan(3);
  expect(all.latestActions.find((each: { id: string }) => each.id === pinId)?.action.pin).toEqual(pin);
});

test('by other settings all is listed anew; a revision of another server too', async () => {
  const { site, revision } = await get('/api/site');
  await put('/api/site', { baseRevision: revision, site: { ...site, season: 'summer' } }).expect(200);
  const after = await listed(last.revision);
  expect(after).toMatchObject({ whole: true, siteRevision: revision + 1 });
  for (const since of ['elsewhere:1', `${after.revision.split(':')[0]}:99`, 'no revision'])
    expect((await listed(since)).whole).toBe(true);
});

test('the plan of one tree is asked for by itself', async () => {
  await planned();
  const { plans } = (await get('/api/plans')) as KeptPlans;
  const [one] = plans;
  expect(await get(`/api/plans?tree=${one?.treeId}`)).toMatchObject({ whole: false, plans: [one] });
  expect(((await get('/api/plans?tree=never-heard-of')) as KeptPlans).plans).toEqual([]);
});
