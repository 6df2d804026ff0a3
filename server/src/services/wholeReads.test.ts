// What a device reads whole: made once, and anew with whatever is recorded.
import { sql } from 'drizzle-orm';
import { PackedJson } from '../packedJson';
import { deadOn, deviceId, NOW, newId, type Orchard, openOrchard, requestsTo } from '../testing/orchard';
import { orchardBytes } from './firstSync';
import { getKeptPlans } from './keptPlans';
import { getOpenWork, getTrees } from './orchard';
import { makeWholeReads, type WholeReads } from './wholeReads';

let orchard: Orchard;
let reads: WholeReads;
let now = NOW;

beforeAll(async () => {
  orchard = await openOrchard();
  reads = makeWholeReads({ db: db(), now: () => now });
  await put(`/api/devices/${deviceId}`, { name: 'Wall crew' }).expect(200);
});
afterAll(() => orchard.close());

const { put } = requestsTo(() => orchard);
const db = () => orchard.store.db;
const year = () => Number(now.slice(0, 4));
const asSent = (answer: unknown) => JSON.parse(JSON.stringify(answer));

async function unpacked(packed: PackedJson): Promise<object> {
  const { bytes } = await packed.as(() => false);
  return JSON.parse(bytes.toString());
}

/** All of it, one after the other. */
const ask = async () => ({
  trees: await reads.trees(),
  openWork: await reads.openWork(),
  plans: await reads.keptPlans(),
  bytes: await reads.orchardBytes(),
});

async function told() {
  const { trees, openWork, plans, bytes } = await ask();
  return {
    trees: await unpacked(trees),
    openWork: await unpacked(openWork),
    plans: await unpacked(plans),
    bytes,
  };
}

const onRecord = async () => ({
  trees: asSent(await getTrees(db())),
  openWork: asSent(await getOpenWork(db(), year())),
  plans: asSent(await getKeptPlans(db())),
  bytes: await orchardBytes(db(), year()),
});

const TREE = 'slip-side-02';
const finding = deadOn(TREE);
const findingId = newId();
const recordPlan = (treeId: string) =>
  db().execute(
    sql`insert into plans (tree_id, code, stamp, value) values (${treeId}, 'code', 'stamp', '{"stamp":"stamp"}')`,
  );

test('it is made once, for whoever asks meanwhile too', async () => {
  const makes = jest.spyOn(PackedJson, 'of');
  const [first, meanwhile] = await Promise.all([ask(), ask()]);
  const later = await ask();
  for (const name of ['trees', 'openWork', 'plans'] as const) {
    expect(meanwhile[name]).toBe(first[name]);
    expect(later[name]).toBe(first[name]);
  }
  expect(makes).toHaveBeenCalledTimes(3);
  makes.mockRestore();
});

test.each<[string, () => unknown]>([
  ['a finding', () => put(`/api/findings/${findingId}`, { baseRevision: null, finding }).expect(200)],
  [
    'a finding that is withdrawn',
    () =>
      put(`/api/findings/${findingId}`, {
        baseRevision: 1,
        finding: { ...finding, withdrawn: true },
      }).expect(200),
  ],
  ['a plan that is kept', () => recordPlan(TREE)],
  ['another plan', () => recordPlan('lee-wall-02')],
  [
    'a plan that is put aside, not the last one',
    () => db().execute(sql`delete from plans where tree_id = ${TREE}`),
  ],
  [
    'a year that turns',
    () => {
      now = '2031-01-01T09:00:00.000Z';
    },
  ],
])('after %s it is told as it stands on record', async (_, record) => {
  const before = await told();
  await record();
  const after = await told();
  expect(after).toEqual(await onRecord());
  expect(after).not.toEqual(before);
});
