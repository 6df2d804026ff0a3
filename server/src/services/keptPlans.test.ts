// Plans that are searched ahead: of every tree with open work, anew only where something changed, and the same on every file.
import { appRoutes } from '@mortisect/contracts';
import { type KeptPlan, planStamp, solvedFrom } from '@mortisect/core/plan';
import { planInputOf } from '@mortisect/core/present';
import { eq, sql } from 'drizzle-orm';
import { pino } from 'pino';
import { plans, trees } from '../store/schema';
import { deadOn, deviceId, NOW, newId, type Orchard, openOrchard, requestsTo } from '../testing/orchard';
import { type KeptPlans, makePlanKeeper, type PlanKeeper } from './keptPlans';

let orchard: Orchard;
let keeper: PlanKeeper;
let now = NOW;
const planned: string[] = [];
const onKept = jest.fn();

beforeAll(async () => {
  orchard = await openOrchard();
  keeper = newKeeper('code 1');
  await put(`/api/devices/${deviceId}`, { name: 'Wall crew' }).expect(200);
});
afterAll(async () => {
  await keeper.close();
  await orchard.close();
});

/** One that counts what it has searched. */
function newKeeper(code: string): PlanKeeper {
  const pool: typeof orchard.pool = {
    ...orchard.pool,
    code,
    planToKeep: (input, signal) => {
      planned.push(planStamp(input));
      return orchard.pool.planToKeep(input, signal);
    },
  };
  return makePlanKeeper({
    db: orchard.store.db,
    pool,
    now: () => now,
    log: pino({ level: 'silent' }),
    onKept,
  });
}

const { put, read: get } = requestsTo(() => orchard);
const kept = (since?: string): Promise<KeptPlans> =>
  get(`/api/plans${since === undefined ? '' : `?since=${encodeURIComponent(since)}`}`);
const byTree = ({ plans: list }: KeptPlans) => list.map(({ treeId }) => treeId).sort();

/** How many were searched until everything was kept. */
async function searched(): Promise<number> {
  planned.length = 0;
  keeper.wake();
  await keeper.rested();
  return planned.length;
}

const TREE = 'slip-side-02';
const finding = deadOn(TREE);

test('every tree with open work is planned once, and then only what changed', async () => {
  // From before anybody was asked how far a stem leans
  const older = sql`${trees.value} - 'leanDeg' - 'slopeDeg'`;
  await orchard.store.db.update(trees).set({ value: older });
  const { trees: open } = await get('/api/open-work');
  const ids = open.map(({ tree }: { tree: { id: string } }) => tree.id).sort();
  expect(await searched()).toBe(ids.length);
  expect(onKept).toHaveBeenCalledTimes(ids.length);
  const first = await kept();
  expect(first.whole).toBe(true);
  expect(byTree(first)).toEqual(ids);
  // As the app reads the answers: what an older record does not say is filled in
  const { site, paces } = appRoutes.getSite.response.parse(await get('/api/site'));
  for (const detail of appRoutes.getOpenWork.response.parse(await get('/api/open-work')).trees) {
    const plan = first.plans.find(({ treeId }) => treeId === detail.tree.id) as KeptPlan;
    expect(solvedFrom(plan, planInputOf(detail, site, NOW.slice(0, 10), paces))).not.toBeNull();
  }
  expect(await searched()).toBe(0);

  const id = newId();
  const { revision } = await put(`/api/findings/${id}`, { baseRevision: null, finding })
    .expect(200)
    .then(({ body }) => body);
  expect(await searched()).toBe(1);
  const second = await kept(first.revision);
  expect(second).toMatchObject({ whole: false, plans: [{ treeId: TREE }] });
  expect(await kept(second.revision)).toMatchObject({ whole: false, plans: [] });
  // What is taken back leaves the plan of before it: a tree that has nothing else open keeps none
  await put(`/api/findings/${id}`, { baseRevision: revision, finding: { ...finding, withdrawn: true } });
  await searched();
  expect(byTree(await kept())).toEqual(ids);
});

test('the files of a tree say what is kept, and search for themselves where it no longer holds', async () => {
  const { plans: all } = await kept();
  const { treeId, plan } = all.find((kept) => kept.plan.steps.length > 0) as KeptPlans['plans'][number];
  // A figure that no search gives
  const told = { ...plan, proof: { ...plan.proof, nodes: 987_654 } };
  const value = { ...(all.find((kept) => kept.treeId === treeId) as KeptPlan), plan: told };
  await orchard.store.db.update(plans).set({ value }).where(eq(plans.treeId, treeId));
  const nodes = async () => (await get(`/api/trees/${treeId}/plan.json`)).plan.proof.nodes;
  expect(await nodes()).toBe(987_654);
  const past = { ...value, stamp: 'of something else' };
  await orchard.store.db.update(plans).set({ value: past }).where(eq(plans.treeId, treeId));
  expect(await nodes()).not.toBe(987_654);
});

test('a tree that cannot be planned keeps no other from its plan', async () => {
  const ids = byTree(await kept());
  const { db } = orchard.store;
  const [bad] = ids as [string];
  const [row] = await db.select().from(trees).where(eq(trees.id, bad));
  await db.update(trees).set({ limbs: [] }).where(eq(trees.id, bad));
  await db.delete(plans);
  await keeper.close();
  keeper = newKeeper('code 1');
  await searched();
  expect(byTree(await kept()).filter((id) => id !== bad)).toEqual(ids.filter((id) => id !== bad));
  await db
    .update(trees)
    .set({ limbs: row?.limbs ?? [] })
    .where(eq(trees.id, bad));
});

test('another year, other settings and other code make all plans anew', async () => {
  const { site, revision } = await get('/api/site');
  const count = byTree(await kept()).length;
  await keeper.close();
  keeper = newKeeper('code 2');
  expect(await searched()).toBe(count);
  expect(await searched()).toBe(0);
  now = '2026-11-25T10:00:00.000Z';
  expect(await searched()).toBe(0);
  now = '2027-11-25T10:00:00.000Z';
  // One of the young trees has grown out of its training
  const left = count - 1;
  expect(await searched()).toBe(left);
  const dearer = { ...site.plan, costs: { ...site.plan.costs, minute: site.plan.costs.minute + 0.1 } };
  await put('/api/site', { site: { ...site, plan: dearer }, baseRevision: revision }).expect(200);
  expect(await searched()).toBe(left);
  // Closed in the middle it ends at once, and nothing more is searched
  planned.length = 0;
  now = '2028-11-25T10:00:00.000Z';
  keeper.wake();
  await keeper.close();
  const before = planned.length;
  keeper.wake();
  await keeper.rested();
  expect(planned.length).toBe(before);
  expect(before).toBeLessThan(count);
});
