// Trees in and out of files; an import takes its good rows in one transaction, or nothing.
import type { ImportReport } from '@mortisect/contracts';
import { treeBodyOf } from '@mortisect/core/records';
import { type Say, sayUnsaid, type Unsaid, unsaid } from '@mortisect/words';
import { and, inArray, sql } from 'drizzle-orm';
import { inEveryLanguage } from '../files/columns';
import type { ReadRow, TreeFile } from '../files/readTrees';
import { csvOf, treesAsCsv, treesAsGeojson } from '../files/writeTrees';
import type { Pool } from '../pool/pool';
import { HttpProblem, notRead } from '../refusal';
import { type Db, giveWay, measureTables, type Store, writing } from '../store/openDb';
import { isKept, trees } from '../store/schema';
import type { Device } from './devices';
import { getTrees } from './orchard';
import { writeNewTrees } from './trees';

interface Import extends TreeFile {
  /** In the language of whoever reads the report. */
  say: Say;
  take: 'nothing' | 'good';
  device: Device;
  now: string;
  /** Nobody waits for it any more. */
  signal: AbortSignal;
}

const SHOWN_GOOD = 10;

/** @throws {HttpProblem} 422 with what is wrong with the file as a whole */
export async function importTrees(
  db: Db,
  pool: Pool,
  { say, take, device, now, signal, ...file }: Import,
): Promise<ImportReport> {
  const read = await pool.readTreeFile({ ...file, locale: say.locale }, signal);
  if ('fault' in read) throw notRead(read.fault);
  const report = await writing(db, async (tx) => {
    const rows = await behindTheLast(tx, await withoutKnown(tx, read.rows));
    const good = rows.filter((row) => row.tree !== null);
    const refused = rows.filter((row) => row.tree === null);
    const taken = take === 'good' ? good.flatMap(({ tree, limbs }) => (tree ? [{ tree, limbs }] : [])) : [];
    if (taken.length > 0) await writeNewTrees(tx, taken, { device, now });
    return {
      columns: read.columns,
      mapping: read.mapping,
      sample: read.sample,
      good: good.length,
      refused: refused.length,
      rows: [...refused, ...good.slice(0, SHOWN_GOOD)].map(({ line, code, reasons }) => ({
        line,
        code,
        reasons: reasons.map(({ field, why }) => ({ field, message: sayUnsaid(say, why) })),
      })),
      refusedCsv: refusedCsv(say, read.columns, refused),
      written: taken.length,
      starts: read.starts,
      asks: read.asks,
      units: read.units,
    };
  });
  if (report.written > 0) await measureTables(db);
  return report;
}

/** Trees whose place the file does not say stand behind those that the register has in their row. */
async function behindTheLast(tx: Store, rows: ReadRow[]): Promise<ReadRow[]> {
  if (!rows.some(({ numbered }) => numbered)) return rows;
  const last = new Map<string, number>();
  for (const { plot, row, place } of (await getTrees(tx)).trees) {
    const key = `${plot}\n${row}`;
    last.set(key, Math.max(last.get(key) ?? 0, place));
  }
  return rows.map((row) => {
    if (!row.tree || !row.numbered) return row;
    const { tree } = row;
    return { ...row, tree: { ...tree, place: tree.place + (last.get(`${tree.plot}\n${tree.row}`) ?? 0) } };
  });
}

const AT_ONCE = 1000;

/** A tree that is in the register already is not overwritten. */
async function withoutKnown(tx: Store, rows: ReadRow[]): Promise<ReadRow[]> {
  const codes = rows.map((row) => row.code.toLowerCase());
  const known = new Set<string>();
  for (let from = 0; from < codes.length; from += AT_ONCE) {
    const part = codes.slice(from, from + AT_ONCE);
    const found = await tx
      .select({ code: trees.code })
      .from(trees)
      .where(and(inArray(sql`lower(${trees.code})`, part), isKept(trees)));
    for (const { code } of found) known.add(code.toLowerCase());
    await giveWay();
  }
  return rows.map((row) =>
    known.has(row.code.toLowerCase())
      ? {
          ...row,
          tree: null,
          reasons: [...row.reasons, { field: 'code', why: unsaid('problem.codeKnown') }],
        }
      : row,
  );
}

function refusedCsv(say: Say, columns: string[], refused: ReadRow[]): string {
  const reasonsOf = ({ reasons }: ReadRow) =>
    reasons
      .map(({ field, why }) => (field ? `${field}: ${sayUnsaid(say, why)}` : sayUnsaid(say, why)))
      .join(' ');
  const heading = say('files.refusedBecause');
  // A file that was refused before has such a column already
  const before = new Set(inEveryLanguage('files.refusedBecause'));
  return csvOf(
    refused.map((row) => ({ ...row.cells, [heading]: reasonsOf(row) })),
    [...columns.filter((column) => !before.has(column)), heading],
  );
}

/**
 * What stands as JSON in a query.
 *
 * @param text the field as it came; without one there is nothing to read: null
 * @throws {HttpProblem} 400 when it is not that
 */
export function fromQuery<T>(
  text: string | undefined,
  { field, holds }: { field: string; holds: Unsaid },
  parse: (value: unknown) => T,
): T | null {
  if (text === undefined) return null;
  try {
    return parse(JSON.parse(text));
  } catch {
    const why = unsaid('problem.noJsonOf', { holds });
    throw new HttpProblem(400, 'not-understood', unsaid('problem.fieldFault', { field, why }), {
      errors: [{ path: field, why }],
    });
  }
}

export async function exportCsv(say: Say, db: Store) {
  const { trees: list } = await getTrees(db);
  return { fileName: 'trees.csv', content: treesAsCsv(say, list.map(treeBodyOf)) };
}

export async function exportGeojson(db: Store) {
  const { trees: list } = await getTrees(db);
  return { fileName: 'trees.geojson', content: treesAsGeojson(list.map(treeBodyOf)) };
}
