// What a device takes over when it first opens the app: the app itself, and what it keeps of the orchard to work without signal.
import { readdirSync, statSync } from 'node:fs';
import path from 'node:path';
import type { FirstSync } from '@mortisect/contracts';
import { sql } from 'drizzle-orm';
import type { Store } from '../store/openDb';

/** What comes with each tree beside its own value: ids, counts, times. */
const TREE_BYTES = 300;

/** @param webFolder of the built app */
export async function firstSync(db: Store, webFolder: string): Promise<FirstSync> {
  // Every tree of the register; of trees with something open also their limbs, findings and what was done
  const { rows } = (await db.execute(sql`
    with open as (select distinct tree_id from findings where state = 'open')
    select (
      (select coalesce(sum(octet_length(value::text) + ${TREE_BYTES}), 0) from trees) +
      (select coalesce(sum(octet_length(limbs::text)), 0) from trees where id in (select tree_id from open)) +
      (select coalesce(sum(octet_length(value::text)), 0) from findings where tree_id in (select tree_id from open)) +
      (select coalesce(sum(octet_length(value::text)), 0) from actions where tree_id in (select tree_id from open))
    )::float8 as bytes`)) as unknown as { rows: { bytes: number }[] };
  return { appBytes: bytesIn(webFolder), orchardBytes: rows[0]?.bytes ?? 0 };
}

let measured = { folder: '', at: 0, bytes: 0 };

/** Of the files of the app; measured once for each build. */
function bytesIn(folder: string): number {
  const at = statSync(folder, { throwIfNoEntry: false })?.mtimeMs;
  if (at === undefined) return 0;
  if (measured.folder !== folder || measured.at !== at) measured = { folder, at, bytes: sizeOf(folder) };
  return measured.bytes;
}

const sizeOf = (folder: string): number =>
  readdirSync(folder, { withFileTypes: true }).reduce((sum, entry) => {
    const inner = path.join(folder, entry.name);
    return sum + (entry.isDirectory() ? sizeOf(inner) : statSync(inner).size);
  }, 0);
