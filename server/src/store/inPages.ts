// A large table read as it lies on the disk, a few pages at a time, so that others are answered in between.
import { getTableName, type SQL, sql } from 'drizzle-orm';
import type { PgTable } from 'drizzle-orm/pg-core';
import { giveWay, type Store } from './openDb';

const PAGE_BYTES = 8192;
/** Some thousand rows, or some hundred large ones. */
const AT_ONCE = 200;

/**
 * Rows in no order. A row that is written meanwhile may come twice or not at all, as it may lie elsewhere then: for what is read again when something was written.
 *
 * @param read asks for the rows of which the condition holds
 */
export async function inPages<R>(
  db: Store,
  table: PgTable,
  read: (isOnPages: SQL) => Promise<R[]>,
): Promise<R[]> {
  const size = await db.execute(sql`select pg_relation_size(${getTableName(table)})::float8 as bytes`);
  const [{ bytes }] = (size as unknown as { rows: [{ bytes: number }] }).rows;
  const all: R[] = [];
  for (let page = 0; page * PAGE_BYTES < bytes; page += AT_ONCE) {
    if (page > 0) await giveWay();
    const [from, to] = [`(${page},0)`, `(${page + AT_ONCE},0)`];
    all.push(...(await read(sql`${table}.ctid >= ${from}::tid and ${table}.ctid < ${to}::tid`)));
  }
  return all;
}
