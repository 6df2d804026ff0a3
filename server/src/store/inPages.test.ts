// A table read a few pages at a time holds what it holds when it is read at once, however many pages it has.
import { and, gt, sql } from 'drizzle-orm';
import { type Orchard, openEmpty } from '../testing/orchard';
import { inPages } from './inPages';
import { insertMany } from './insertMany';
import { plots } from './schema';

let orchard: Orchard;
const db = () => orchard.store.db;
beforeAll(async () => {
  orchard = await openEmpty();
});
afterAll(() => orchard.close());

test.each([0, 1, 3000])('of %d rows every one comes once', async (count) => {
  await db().delete(plots);
  // About four to a page
  const note = 'x'.repeat(1900);
  const rows = Array.from({ length: count }, (_, i) => ({
    id: `p${i}`,
    name: `Plot ${i}`,
    note,
    position: i,
  }));
  await insertMany(db(), plots, rows);
  let questions = 0;
  const read = await inPages(db(), plots, (isOnPages) => {
    questions++;
    return db()
      .select({ id: plots.id })
      .from(plots)
      .where(and(isOnPages, gt(plots.position, 0)));
  });
  expect(read.map(({ id }) => id).sort()).toEqual(
    rows
      .slice(1)
      .map(({ id }) => id)
      .sort(),
  );
  // Of two hundred pages each
  const size = await db().execute(sql`select pg_relation_size('plots')::int / 8192 as pages`);
  const pages = Number((size as unknown as { rows: { pages: number }[] }).rows[0]?.pages);
  expect(questions).toBe(Math.ceil(pages / 200));
  if (count === 3000) expect(questions).toBeGreaterThan(1);
});
