// What a device takes over when it first opens the app: the app itself, and what it keeps of the orchard to work without signal.
import { readdirSync, statSync } from 'node:fs';
import path from 'node:path';
import type { FirstSync } from '@mortisect/contracts';
import { type Column, inArray, type SQL, sql } from 'drizzle-orm';
import type { Store } from '../store/openDb';
import { actions, findings, trees } from '../store/schema';
import { treesAskingForWork } from './orchard';

/** What comes with each tree beside its own value: ids, counts, times. */
const TREE_BYTES = 300;

/** @param webFolder of the built app */
export const firstSync = (webFolder: string, orchardBytes: number): FirstSync => ({
  appBytes: bytesIn(webFolder),
  orchardBytes,
});

/**
 * Of every tree of the register; of trees on which a plan may hold work also their limbs, findings and what was done.
 *
 * @param year of today
 */
export async function orchardBytes(db: Store, year: number): Promise<number> {
  const open = await treesAskingForWork(db, year);
  const sumOf = async (table: typeof trees | typeof findings | typeof actions, more: SQL) => {
    const [row] = await db.select({ bytes: sql<number>`coalesce(sum(${more}), 0)::float8` }).from(table);
    return row?.bytes ?? 0;
  };
  const ofOpen = (bytes: SQL, id: Column) => sql`case when ${inArray(id, open)} then ${bytes} else 0 end`;
  const length = (column: Column) => sql`octet_length(${column}::text)`;
  const parts = await Promise.all([
    sumOf(trees, sql`${length(trees.value)} + ${TREE_BYTES}`),
    sumOf(trees, ofOpen(length(trees.limbs), trees.id)),
    sumOf(findings, ofOpen(length(findings.value), findings.treeId)),
    sumOf(actions, ofOpen(length(actions.value), actions.treeId)),
  ]);
  return parts.reduce((sum, bytes) => sum + bytes, 0);
}

let measured = { folder: '', at: 0, bytes: 0 };

/** What lies there compressed too goes over the network only. */
const COMPRESSED = /\.(br|gz)$/;

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
    if (COMPRESSED.test(entry.name)) return sum;
    return sum + (entry.isDirectory() ? sizeOf(inner) : statSync(inner).size);
  }, 0);
