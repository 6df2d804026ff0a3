// A disk that takes nothing any more: what is there is read on, whoever writes is told why, and once it takes writes again all goes on. (On a disk
// that the machine itself turns read-only: `npm run harden -- --only unwritable`.)
import fs, { mkdtempSync, readdirSync, readlinkSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import { isReadOnly } from './faults';
import { openDb } from './openDb';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'failover-'));
});
afterEach(() => {
  jest.restoreAllMocks();
  rmSync(folder, { recursive: true, force: true });
});

const copies = () => readdirSync(tmpdir()).filter((name) => name.startsWith('mortisect-read-'));

test('reads go on from a copy, in one question and in a transaction; writes are refused, and taken again later', async () => {
  const before = copies();
  const store = await openDb({ folder });
  const { db } = store;
  const kept = async () => {
    const { rows } = (await db.execute(sql`select id from kept order by id`)) as unknown as {
      rows: { id: number }[];
    };
    return rows.map(({ id }) => id);
  };
  const keep = (id: number) => db.transaction((tx) => tx.execute(sql`insert into kept values (${id})`));
  try {
    await db.execute(sql`create table kept (id int)`);
    await keep(1);
    expect(store.isReadOnly()).toBe(false);
    const sync = fs.fsyncSync;
    const failing = jest.spyOn(fs, 'fsyncSync').mockImplementation((opened) => {
      if (!readlinkSync(`/proc/self/fd/${opened}`).startsWith(folder)) return sync(opened);
      throw Object.assign(new Error('EROFS: read-only file system, fsync'), { code: 'EROFS' });
    });
    for (const id of [2, 3]) expect(await keep(id).then(() => null, isReadOnly)).toBe(true);
    expect(store.isReadOnly()).toBe(true);
    expect(await kept()).toContain(1);
    expect(copies()).toHaveLength(before.length + 1);
    failing.mockRestore();
    // It takes writes again, and has no room for another piece of the log
    const room = jest.spyOn(fs, 'statfsSync');
    room.mockReturnValue({ bavail: 8192, bsize: 4096 } as never);
    expect(await keep(3).then(() => null, isReadOnly)).toBe(true);
    room.mockReturnValue({ bavail: 8193, bsize: 4096 } as never);
    await keep(4);
    expect(store.isReadOnly()).toBe(false);
    // What was not acknowledged may be there or not; what was, is, once
    const ids = await kept();
    expect(ids.filter((id) => id !== 2 && id !== 3)).toEqual([1, 4]);
    expect(ids).not.toContain(3);
  } finally {
    await store.close();
  }
  expect(copies()).toEqual(before);
  const again = await openDb({ folder });
  const { rows } = (await again.db.execute(
    sql`select count(*)::int as n from kept where id in (1, 4)`,
  )) as unknown as {
    rows: { n: number }[];
  };
  expect(rows).toEqual([{ n: 2 }]);
  await again.close();
});
