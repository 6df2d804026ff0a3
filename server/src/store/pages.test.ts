// Every page that PostgreSQL wrote carries the checksum that is worked out here, and one changed bit, or a page in another's place, is found.
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import { pino } from 'pino';
import { makeCondition } from '../services/condition';
import { type OpenDb, openDb } from './openDb';
import { checksumOf, damagedPages } from './pages';

const folder = mkdtempSync(path.join(tmpdir(), 'pages-'));
const db = path.join(folder, 'db');
let store: OpenDb;
beforeAll(async () => {
  store = await openDb({ folder });
  await store.db.execute(sql`create table many (id int primary key, words text)`);
  await store.db.execute(
    sql`insert into many select n, repeat(n::text, 200) from generate_series(1, 3000) n`,
  );
  await store.db.execute(sql`checkpoint`);
});
afterAll(async () => {
  await store.close();
  rmSync(folder, { recursive: true, force: true });
});

const fileOf = async (relation: string) => {
  const { rows } = (await store.db.execute(
    sql`select pg_relation_filepath(${relation}) as file`,
  )) as unknown as { rows: { file: string }[] };
  return rows[0]?.file ?? '';
};
const spoiled = async <T>(file: string, spoil: (bytes: Buffer) => void, look: () => Promise<T>) => {
  const whole = readFileSync(path.join(db, file));
  const bytes = Buffer.from(whole);
  spoil(bytes);
  writeFileSync(path.join(db, file), bytes);
  try {
    return await look();
  } finally {
    writeFileSync(path.join(db, file), whole);
  }
};

test('what the engine wrote is whole, all of it', async () => {
  const [base] = readdirSync(path.join(db, 'base')).slice(-1);
  const bytes = readdirSync(path.join(db, 'base', base ?? '')).map(
    (name) => statSync(path.join(db, 'base', base ?? '', name)).size,
  );
  expect(bytes.reduce((sum, byte) => sum + byte, 0)).toBeGreaterThan(5_000_000);
  expect(await damagedPages(db)).toEqual([]);
});

test.each([
  ['a table', 'many', 3],
  ['an index', 'many_pkey', 2],
  ['the catalogue', 'pg_class', 1],
])('one bit of %s, in %s', async (_said, relation, block) => {
  const file = await fileOf(relation);
  for (const at of [17, 8191])
    expect(
      await spoiled(
        file,
        (bytes) => {
          const i = block * 8192 + at;
          bytes[i] = (bytes[i] as number) ^ 0x04;
        },
        () => damagedPages(db),
      ),
    ).toEqual([{ file, block }]);
});

test('a page in the place of another is found, both of them; a page of noughts is none, unless something stands in it', async () => {
  const file = await fileOf('many');
  const swap = (bytes: Buffer) => {
    const second = Buffer.from(bytes.subarray(8192, 16_384));
    bytes.copyWithin(8192, 16_384, 24_576);
    second.copy(bytes, 16_384);
  };
  expect((await spoiled(file, swap, () => damagedPages(db))).map(({ block }) => block)).toEqual([1, 2]);
  const nought = (bytes: Buffer) => bytes.fill(0, 8192, 16_384);
  expect(await spoiled(file, nought, () => damagedPages(db))).toEqual([]);
  const almost = (bytes: Buffer) => bytes.fill(0, 8192, 16_384).writeUInt8(1, 9000);
  expect(await spoiled(file, almost, () => damagedPages(db))).toEqual([{ file, block: 1 }]);
  expect(checksumOf(new Uint8Array(8192), 0)).not.toBe(checksumOf(new Uint8Array(8192), 1));
});

test('the condition names the table, and what a question stumbled over stays told', async () => {
  const file = await fileOf('many');
  const condition = () =>
    makeCondition({
      store,
      folder: db,
      damagedPages,
      now: () => '2026-11-24T10:00:00.000Z',
      log: pino({ level: 'silent' }),
    });
  const well = condition();
  await well.readThrough();
  well.noteFault(new Error('something else'));
  expect(well.told()).toEqual({ damage: null, isReadOnly: false });
  const read = condition();
  await spoiled(file, (bytes) => bytes.writeUInt8(7, 8192 + 100), read.readThrough);
  expect(read.told().damage).toEqual({ seenAt: '2026-11-24T10:00:00.000Z', what: '1 page in many' });
  const asked = condition();
  asked.noteFault(Object.assign(new Error('invalid page in block 3'), { code: 'XX001' }));
  expect(asked.told().damage?.what).toBe('a part of it could not be read');
});
