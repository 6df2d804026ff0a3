// The append-only history: every revision of every record, and the Book's log read from it.
import { FindingBody, type HistoryValue, type LogEntry, Site } from '@mortisect/core/records';
import { and, asc, desc, eq, gt, inArray, lt, lte, ne, sql } from 'drizzle-orm';
import type { z } from 'zod';
import { insertMany } from '../store/insertMany';
import { giveWay, type Store } from '../store/openDb';
import { actions, history, trees } from '../store/schema';
import { moment, readableLine } from './moment';

export interface Written {
  at: string;
  receivedAt: string;
  recordId: string;
  revision: number;
  treeId: string | null;
  deviceId: string;
  by: string;
  value: HistoryValue;
}

/** Device of lines that nobody wrote on purpose: the log leaves them out. */
export const BEGINNING = 'beginning';

/** Any fixed number: lines get their numbers in the order in which they are committed, so that whoever has read up to one misses none. */
const HISTORY_LOCK = 7_301_443;

/** Until the transaction ends nobody else writes a record. */
export async function holdHistory(tx: Store): Promise<void> {
  await tx.execute(sql`select pg_advisory_xact_lock(${HISTORY_LOCK})`);
}

/** Inside the transaction that writes the record. */
export async function append(tx: Store, ...written: Written[]): Promise<void> {
  await holdHistory(tx);
  await insertMany(tx, history, written);
}

const AT_ONCE = 150;

/** Every line, oldest first, with times that can be read; others are answered in between. */
export async function* readHistory(db: Store, upTo = Number.MAX_SAFE_INTEGER) {
  for (let last = -1; ; ) {
    const rows = await db
      .select()
      .from(history)
      .where(and(gt(history.seq, last), lte(history.seq, upTo)))
      .orderBy(asc(history.seq))
      .limit(AT_ONCE);
    for (const { at, receivedAt, value, ...row } of rows)
      yield { ...row, at: moment(at), receivedAt: moment(receivedAt), value: readableLine(value) };
    const end = rows.at(-1);
    if (!end) return;
    last = end.seq;
    await giveWay();
  }
}

type Entry = z.infer<typeof LogEntry>;

/** Newest first. `before` is a seq; the entry with that seq is not included. `tree` is the id of the one tree that is asked about. */
export async function readLog(
  db: Store,
  { before, limit, tree }: { before?: number | undefined; limit: number; tree?: string | undefined },
): Promise<{ entries: Entry[]; more: boolean }> {
  const rows = await db
    .select({ history, treeCode: trees.code })
    .from(history)
    .leftJoin(trees, eq(trees.id, history.treeId))
    .where(
      and(
        before === undefined ? undefined : lt(history.seq, before),
        tree === undefined ? undefined : eq(history.treeId, tree),
        ne(history.deviceId, BEGINNING),
      ),
    )
    .orderBy(desc(history.seq))
    .limit(limit + 1);
  const shown = rows.slice(0, limit);
  const undone = await undoneAmong(
    db,
    shown.flatMap(({ history: { value, recordId } }) => (value.kind === 'action' ? [recordId] : [])),
  );
  return {
    entries: shown.flatMap((row) => asEntry({ ...row, undone: undone.has(row.history.recordId) })),
    more: rows.length > limit,
  };
}

/** Which of these actions were taken back. */
async function undoneAmong(db: Store, ids: string[]): Promise<Set<string>> {
  if (ids.length === 0) return new Set();
  const rows = await db
    .select({ id: actions.id })
    .from(actions)
    .where(and(inArray(actions.id, ids), eq(actions.undone, true)));
  return new Set(rows.map(({ id }) => id));
}

interface LogRow {
  history: typeof history.$inferSelect;
  treeCode: string | null;
  undone: boolean;
}

function asEntry({ history: row, treeCode, undone }: LogRow): Entry[] {
  const entry = entryOf(row, undone);
  if (entry === null) return [];
  return [{ seq: row.seq, at: moment(row.at), by: row.by, treeId: row.treeId, treeCode, entry }];
}

function entryOf(
  { value: stored, recordId, revision }: LogRow['history'],
  undone: boolean,
): Entry['entry'] | null {
  const value = readableLine(stored);
  switch (value.kind) {
    case 'finding':
      return { kind: 'finding', finding: FindingBody.parse(value.finding), recordId, revision };
    case 'action':
      return { ...value, recordId, undone };
    case 'site':
      return { kind: 'site', site: Site.parse(value.site), revision };
    case 'tree':
      return { ...value, revision };
    case 'limbs':
      return { kind: 'limbs', limbs: value.limbs.length, revision };
    case 'job':
      return { ...value, recordId, revision };
    // Made in passing, with the tree that stands there
    default:
      return null;
  }
}
