// Many rows at once are what each would be alone, and two who write the same at once are told apart.
import { asc, count, eq, type SQL, sql } from 'drizzle-orm';
import { freshServerDatabase, NOW, newId, type Orchard, openEmpty, requestsTo } from '../testing/orchard';
import { insertMany } from './insertMany';
import { measureTables, openDb, type Store, writing } from './openDb';
import { history, plots, weatherHours } from './schema';

let orchard: Orchard;
beforeAll(async () => {
  orchard = await openEmpty();
});
afterAll(() => orchard.close());

const line = (value: object) => ({
  at: NOW,
  receivedAt: NOW,
  recordId: newId(),
  revision: 1,
  treeId: null,
  deviceId: 'beginning',
  by: 'Wall crew',
  value: value as never,
});

test('rows come in with their defaults, in their order, as they are', async () => {
  const { db } = orchard.store;
  const odd = { kind: 'dreamt', text: "a “b” ' \\ ü 🍐", list: [1, null, { deep: [0.1] }], none: null };
  const lines = Array.from({ length: 1203 }, (_, i) => line(i === 700 ? odd : { kind: 'dreamt', i }));
  const [{ n: before } = { n: 0 }] = await db.select({ n: count() }).from(history);
  await insertMany(db, history, lines);
  await insertMany(db, history, []);
  const kept = await db.select().from(history).orderBy(asc(history.seq)).offset(Number(before));
  expect(kept.map(({ recordId }) => recordId)).toEqual(lines.map(({ recordId }) => recordId));
  expect(kept[700]).toMatchObject({ value: odd, treeId: null, revision: 1 });
  expect(new Set(kept.map(({ orchardId }) => orchardId)).size).toBe(1);
  expect(new Date(kept[0]?.at ?? '').toISOString()).toBe(NOW);
});

test('large rows go in few at a time; what stands already is dealt with as is said', async () => {
  const { db } = orchard.store;
  let statements = 0;
  const counted = {
    execute: (query: SQL) => db.execute(query).finally(() => statements++),
  } as unknown as Store;
  const large = Array.from({ length: 9 }, () => line({ kind: 'dreamt', text: 'x'.repeat(150_000) }));
  await insertMany(counted, history, large);
  expect(statements).toBe(3);
  const hour = (temperatureC: number | null) => ({
    kind: 'observed' as const,
    hour: 1,
    temperatureC,
    source: 'a',
    receivedAt: NOW,
  });
  await insertMany(db, weatherHours, [hour(1.25)]);
  await insertMany(db, weatherHours, [hour(2)], sql`on conflict do nothing`);
  await expect(insertMany(db, weatherHours, [hour(2)])).rejects.toThrow();
  const rows = await db.select().from(weatherHours).where(eq(weatherHours.hour, 1));
  expect(rows).toMatchObject([{ temperatureC: 1.25, humidityPct: null }]);
  await measureTables(db);
});

test('what clashed with another who wrote at the same moment is tried once more, and anything else is not', async () => {
  const { db } = orchard.store;
  const clash = (code: string) => Object.assign(new Error('x'), { code });
  for (const [code, tries] of [
    ['23505', 2],
    ['40001', 2],
    ['40P01', 2],
    ['22P02', 1],
  ] as const) {
    let tried = 0;
    const work = writing(db, async () => {
      tried++;
      throw clash(code);
    });
    await expect(work).rejects.toMatchObject({ code });
    expect([code, tried]).toEqual([code, tries]);
  }
  let tried = 0;
  const kept = await writing(db, async (tx) => {
    await tx.insert(plots).values({ id: 'p', name: 'P', note: '', position: 1 });
    if (++tried === 1) throw clash('23505');
    return tried;
  });
  expect(kept).toBe(2);
  expect(await db.select().from(plots)).toHaveLength(1);
});

const serverUrl = process.env.TEST_DATABASE_URL;
(serverUrl ? test : test.skip)(
  'of two processes that make the same record at once one is kept, and the other is told',
  async () => {
    const url = await freshServerDatabase(serverUrl as string);
    const both = [await openEmptyOn(url), await openEmptyOn(url)];
    try {
      const id = newId();
      const tree = (code: string) => ({
        baseRevision: null,
        tree: {
          code,
          plot: 'Wall',
          row: 'A',
          place: 1,
          species: 'apple',
          form: 'open centre',
          heightCm: 300,
          spreadCm: 300,
        },
      });
      for (let round = 0; round < 10; round++) {
        const answers = await Promise.all(
          both.map((server, i) =>
            requestsTo(() => server).put(`/api/trees/${id}-${round}`, tree(`Tree ${round}${'ab'[i]}`)),
          ),
        );
        expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
        const sameCode = await Promise.all(
          both.map((server, i) =>
            requestsTo(() => server).put(
              `/api/trees/${id}-${round}-${i}`,
              tree(i === 0 ? `Same ${round}` : `SAME ${round}`),
            ),
          ),
        );
        expect(sameCode.map(({ status }) => status).sort()).toEqual([200, 422]);
      }
      const { trees, plots: made } = await requestsTo(() => both[0] as Orchard).read('/api/trees');
      expect([trees.length, made.length]).toEqual([20, 1]);
    } finally {
      for (const server of both) await server.close();
    }
  },
);

async function openEmptyOn(url: string): Promise<Orchard> {
  const store = await openDb({ url });
  const opened = await openEmpty({}, store);
  await requestsTo(() => opened).put('/api/devices/0193f000-0000-7000-8000-0000000000aa', {
    name: 'Wall crew',
  });
  return opened;
}
