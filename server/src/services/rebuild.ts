// Every table of the present made anew from the history: to check that both say the same, and to put right what does not.
import { isDeepStrictEqual } from 'node:util';
import { fold, happenedAt, type Present } from '@mortisect/core/present';
import type { HistoryLine } from '@mortisect/core/records';
import { insertMany } from '../store/insertMany';
import type { Db, Store } from '../store/openDb';
import { actions, findings, jobs, plots, rows, samples, site, trees } from '../store/schema';
import { readHistory } from './history';
import { moment } from './moment';

const TABLES = { site, plots, rows, trees, findings, actions, jobs };
type Table = keyof typeof TABLES;
type Rows = { [T in Table]: (typeof TABLES)[T]['$inferSelect'][] };

interface Difference {
  table: Table;
  id: string;
  why: 'missing' | 'too much' | 'other';
}

/** The history as lines of the core. */
async function linesOf(db: Store): Promise<HistoryLine[]> {
  const all: HistoryLine[] = [];
  for await (const line of readHistory(db)) all.push(line as HistoryLine);
  return all;
}

type Folding = (lines: HistoryLine[]) => Present | Promise<Present>;

/** What the tables should hold by the history, and the lines that lead to nothing. */
async function foldedTables(db: Store, folding: Folding): Promise<{ rows: Rows; aside: Present['aside'] }> {
  const present = await folding(await linesOf(db));
  return { rows: tablesOf(present), aside: present.aside };
}

type Stamp = Pick<HistoryLine, 'orchardId' | 'revision' | 'by' | 'receivedAt'>;

function tablesOf(present: Present): Rows {
  const stamp = ({ orchardId, revision, by, receivedAt }: Stamp) => ({ orchardId, revision, by, receivedAt });
  return {
    site: present.site ? [{ id: 'site', value: present.site.value.site, ...stamp(present.site) }] : [],
    plots: [...present.plots].map(([id, { orchardId, value }]) => ({ id, orchardId, ...value.plot })),
    rows: [...present.rows].map(([id, { orchardId, revision, value }]) => ({
      id,
      orchardId,
      revision,
      ...value.row,
    })),
    trees: [...present.trees].map(([id, { tree, limbs, rowId }]) => {
      const { plot: _plot, row: _row, place, code, ...value } = tree.value.tree;
      const map = { limbs: limbs.value.limbs, limbsRevision: limbs.revision, surveyedAt: limbs.at };
      return { id, rowId, place, code, value, ...stamp(tree), ...map };
    }),
    findings: [...present.findings].map(([id, line]) => ({
      id,
      treeId: line.value.finding.treeId,
      state: line.state,
      value: line.value.finding,
      ...stamp(line),
    })),
    actions: [...present.actions].map(
      ([
        id,
        {
          orchardId,
          treeId,
          value: { action },
          undone,
          by,
          receivedAt,
        },
      ]) => ({
        id,
        orchardId,
        treeId,
        kind: action.kind,
        at: moment(happenedAt(action.at, receivedAt)),
        value: action,
        undone,
        by,
        receivedAt,
      }),
    ),
    jobs: [...present.jobs].map(([id, line]) => ({
      id,
      treeId: line.value.job.treeId,
      value: line.value.job,
      ...stamp(line),
    })),
  };
}

/** Where the tables and the history do not agree, and the lines that lead to nothing. */
export async function compareTables(
  db: Store,
): Promise<{ differences: Difference[]; aside: Present['aside'] }> {
  const { rows: folded, aside } = await foldedTables(db, fold);
  const found: Difference[] = [];
  for (const table of Object.keys(TABLES) as Table[]) {
    const kept = new Map((await db.select().from(TABLES[table])).map((row) => [row.id, plain(row)]));
    for (const row of folded[table]) {
      const keptRow = kept.get(row.id);
      kept.delete(row.id);
      if (!keptRow) found.push({ table, id: row.id, why: 'missing' });
      else if (!isDeepStrictEqual(keptRow, plain(row))) found.push({ table, id: row.id, why: 'other' });
    }
    for (const id of kept.keys()) found.push({ table, id, why: 'too much' });
  }
  return { differences: found, aside };
}

const MOMENTS = ['at', 'receivedAt', 'surveyedAt'];

/** A row as data: moments in one spelling, no key whose value is missing. */
function plain(row: object): unknown {
  const entries = Object.entries(row).map(([key, value]) => [
    key,
    MOMENTS.includes(key) && typeof value === 'string' ? moment(value) : value,
  ]);
  return JSON.parse(JSON.stringify(Object.fromEntries(entries)));
}

/** Empties the tables of the present and fills them from the history, in one transaction. Samples of the clinic stand-in keep their findings. */
export function rebuild(db: Db): Promise<Present['aside']> {
  return db.transaction((tx) => rebuildIn(tx, fold));
}

/**
 * The same inside a transaction that does more.
 *
 * @param folding `fold`, or the same on a worker
 */
export async function rebuildIn(tx: Store, folding: Folding): Promise<Present['aside']> {
  const { rows: folded, aside } = await foldedTables(tx, folding);
  await fill(tx, folded);
  return aside;
}

async function fill(tx: Store, folded: Rows): Promise<void> {
  const sent = await tx.select().from(samples);
  await tx.delete(samples);
  for (const table of [jobs, actions, findings, trees, rows, plots, site]) await tx.delete(table);
  for (const table of Object.keys(TABLES) as Table[])
    await insertMany(tx, TABLES[table], folded[table] as never[]);
  if (sent.length > 0) await tx.insert(samples).values(sent);
}
