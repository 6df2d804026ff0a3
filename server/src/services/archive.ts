// A whole orchard out into an archive, and from one into a server that has none yet: the history as it was written, with its ids.

import { createReadStream, createWriteStream, existsSync } from 'node:fs';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ArchiveReport } from '@mortisect/contracts';
import { ARCHIVE_KIND, ARCHIVE_VERSION, type ArchiveLine } from '@mortisect/contracts/archive';
import type { Present } from '@mortisect/core/present';
import { type Say, unsaid } from '@mortisect/words';
import { refusalWords } from '@mortisect/words/trade';
import { and, asc, count, eq, gt, inArray, lte, ne, sql } from 'drizzle-orm';
import sharp from 'sharp';
import { archiveLines, unpacked, withinBounds } from '../files/archiveFile';
import type { Pool } from '../pool/pool';
import { HttpProblem, notRead } from '../refusal';
import { takeSample } from '../standIns/clinic';
import { insertMany } from '../store/insertMany';
import { asOfNow, type Db, giveWay, measureTables, type Store } from '../store/openDb';
import {
  actions,
  devices,
  findings,
  history,
  orchards,
  site,
  trees,
  weatherBefore,
  weatherHours,
} from '../store/schema';
import { historyIsComplete } from './beginnings';
import { revisionOf } from './changes';
import { markDeletedTrees } from './deletedTrees';
import { readHistory } from './history';
import { moment } from './moment';
import { dropFile, fileOf, keepAsFile, photosIn } from './photos';
import { rebuildIn } from './rebuild';
import { markUnshown } from './removedPhotos';
import { notLater } from './tasks';

type Line<K extends ArchiveLine['is']> = Extract<ArchiveLine, { is: K }>;

const AT_ONCE = 500;
const HOURS_AT_ONCE = 1000;

/** Written to a file first: whoever reads it slowly holds nothing up. */
export async function exportArchive(
  db: Db,
  photoFolder: string,
): Promise<{ fileName: string; content: AsyncIterable<Uint8Array> }> {
  const folder = await mkdtemp(path.join(tmpdir(), 'mortisect-archive-'));
  const file = path.join(folder, 'archive.ndjson');
  try {
    await writeArchive(db, photoFolder, createWriteStream(file));
  } catch (error) {
    await rm(folder, { recursive: true });
    throw error;
  }
  return { fileName: 'archive.ndjson', content: readThenRemoved(file, folder) };
}

async function* readThenRemoved(file: string, folder: string): AsyncGenerator<Uint8Array> {
  try {
    yield* createReadStream(file) as AsyncIterable<Uint8Array>;
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/**
 * The orchard as it stands when this begins, whatever is written meanwhile; a photo that comes in then may be told with it. No clock and no chance goes in: the same
 * orchard gives the same bytes.
 *
 * @param to where the text goes, one after the other; the last keeps it
 */
export function writeArchive(
  db: Db,
  photoFolder: string,
  ...to: (NodeJS.ReadWriteStream | NodeJS.WritableStream)[]
): Promise<void> {
  return asOfNow(db, (store) => pipeline([() => archiveText(store, photoFolder), ...to] as never));
}

async function* archiveText(db: Store, photoFolder: string): AsyncGenerator<string> {
  const { orchardId, seq: upTo } = await revisionOf(db);
  if (orchardId === '') throw new Error('The database has no orchard.');
  const text = (line: ArchiveLine) => `${JSON.stringify(line)}\n`;
  let lines = 0;
  yield text({ is: 'archive', kind: ARCHIVE_KIND, version: ARCHIVE_VERSION, orchardId });
  const parts = [
    deviceLines(db, orchardId, upTo),
    historyLines(db, upTo),
    weatherLines(db),
    photoLines(photoFolder, orchardId),
  ];
  for (const part of parts) {
    for await (const line of part) {
      lines++;
      yield text(line);
    }
  }
  yield text({ is: 'end', orchardId, lines });
}

/** Those that wrote something. */
async function* deviceLines(db: Store, orchardId: string, upTo: number): AsyncGenerator<Line<'device'>> {
  const wrote = db.select({ id: history.deviceId }).from(history).where(lte(history.seq, upTo));
  const list = await db
    .select()
    .from(devices)
    .where(inArray(sql`${devices.id}::text`, wrote))
    .orderBy(asc(devices.id));
  for (const { id, name } of list) yield { is: 'device', orchardId, id, name };
}

async function* historyLines(db: Store, upTo: number): AsyncGenerator<Line<'history'>> {
  for await (const line of readHistory(db, upTo)) yield { is: 'history', ...line };
}

/** An import of weather replaces hours and tells what they were: both are read before another can come between. */
async function* weatherLines(db: Store): AsyncGenerator<Line<'hour' | 'hour before'>> {
  yield* await db.transaction(async (tx) => {
    const lines: Line<'hour' | 'hour before'>[] = [];
    for (const part of [hourLines(tx), hourBeforeLines(tx)]) for await (const line of part) lines.push(line);
    return lines;
  });
}

async function* hourLines(db: Store): AsyncGenerator<Line<'hour'>> {
  for (const kind of ['forecast', 'observed'] as const) {
    for (let last = Number.NEGATIVE_INFINITY; ; ) {
      const rows = await db
        .select()
        .from(weatherHours)
        .where(
          and(eq(weatherHours.kind, kind), Number.isFinite(last) ? gt(weatherHours.hour, last) : undefined),
        )
        .orderBy(asc(weatherHours.hour))
        .limit(HOURS_AT_ONCE);
      await giveWay();
      for (const { receivedAt, ...row } of rows) yield { is: 'hour', ...row, receivedAt: moment(receivedAt) };
      const end = rows.at(-1);
      if (!end) break;
      last = end.hour;
    }
  }
}

async function* hourBeforeLines(db: Store): AsyncGenerator<Line<'hour before'>> {
  const rows = await db.select().from(weatherBefore).orderBy(asc(weatherBefore.seq));
  for (const { value, replacedAt, ...row } of rows)
    yield {
      is: 'hour before',
      ...row,
      value: value as Record<string, unknown>,
      replacedAt: moment(replacedAt),
    };
}

async function* photoLines(folder: string, orchardId: string): AsyncGenerator<Line<'photo'>> {
  for (const id of photosIn(folder)) {
    const jpeg = await readFile(fileOf(folder, id)).catch(ifGone);
    if (jpeg) yield { is: 'photo', orchardId, id, jpeg: jpeg.toString('base64') };
  }
}

/** Deleted for good while the archive is written. */
function ifGone(error: NodeJS.ErrnoException): null {
  if (error.code === 'ENOENT') return null;
  throw error;
}

interface ArchiveImport {
  db: Db;
  pool: Pool;
  photoFolder: string;
  /** The bytes as they come in. */
  body: Readable;
  /** In the language of whoever reads the report. */
  say: Say;
}

/**
 * All of it, or nothing.
 *
 * @throws {HttpProblem} 409 where an orchard stands already; 413 where the file is too large; 422 with the line that is wrong
 */
export async function importArchive({
  db,
  pool,
  photoFolder,
  body,
  say,
}: ArchiveImport): Promise<ArchiveReport> {
  await refuseUnlessEmpty(db);
  const folder = await mkdtemp(path.join(tmpdir(), 'mortisect-archive-'));
  const file = path.join(folder, 'archive');
  const photos: string[] = [];
  try {
    await pipeline(body, withinBounds(), createWriteStream(file));
    const plain = await unpacked(file, `${file}.plain`);
    const report = await db
      .transaction((tx) => takeIn(tx, pool, plain, photoFolder, photos))
      .catch(async (error) => {
        for (const photo of photos) await dropFile(photo);
        throw error;
      });
    // From here on the orchard stands: nothing of it is taken back
    await Promise.all([markUnshown(db, photoFolder), markDeletedTrees(db)]);
    await measureTables(db);
    return { ...report, aside: report.aside.map(({ seq, why }) => ({ seq, why: refusalWords(say, why) })) };
  } catch (error) {
    throw asRefusal(error);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

async function refuseUnlessEmpty(db: Store): Promise<void> {
  const [planted] = await db.select({ n: count() }).from(trees);
  const [done] = await db.select({ n: count() }).from(actions);
  const [hours] = await db.select({ n: count() }).from(weatherHours).where(ne(weatherHours.kind, 'forecast'));
  const standing = { trees: planted?.n ?? 0, entries: done?.n ?? 0, hours: hours?.n ?? 0 };
  if (Object.values(standing).every((number) => number === 0)) return;
  throw new HttpProblem(409, 'not-empty', unsaid('problem.notEmpty', standing));
}

async function takeIn(
  tx: Store,
  pool: Pool,
  file: string,
  photoFolder: string,
  photos: string[],
): Promise<Omit<ArchiveReport, 'aside'> & Pick<Present, 'aside'>> {
  await refuseUnlessEmpty(tx);
  for (const table of [history, weatherHours, weatherBefore, site]) await tx.delete(table);
  let orchardId = '';
  const counts = { lines: 0, hours: 0 };
  const waiting: ArchiveLine[] = [];
  const write = async () => {
    await writeAll(tx, waiting);
    waiting.length = 0;
  };
  for await (const line of archiveLines(file)) {
    if (line.is === 'archive') {
      orchardId = line.orchardId;
      await tx.update(orchards).set({ id: orchardId });
    } else if (line.is === 'photo') await keepPhoto(line, photoFolder, photos);
    else if (line.is !== 'end') {
      if (line.is === 'history') counts.lines++;
      if (line.is === 'hour') counts.hours++;
      if (waiting.length > 0 && (waiting[0]?.is !== line.is || waiting.length === AT_ONCE)) await write();
      waiting.push(line);
    }
  }
  await write();
  for (const table of ['history', 'weather_before'])
    await tx.execute(
      sql`select setval(pg_get_serial_sequence(${table}, 'seq'), greatest(1, (select max(seq) from ${sql.identifier(table)})))`,
    );
  const aside = await rebuildIn(tx, (lines) => pool.fold(lines));
  await giveSamples(tx);
  await historyIsComplete(tx);
  const rowsOf = async (table: typeof trees | typeof findings | typeof actions) =>
    (await tx.select({ n: count() }).from(table))[0]?.n ?? 0;
  return {
    orchardId,
    ...counts,
    trees: await rowsOf(trees),
    findings: await rowsOf(findings),
    actions: await rowsOf(actions),
    photos: photos.length,
    aside,
  };
}

/** Lines of one kind. */
async function writeAll(tx: Store, lines: readonly ArchiveLine[]): Promise<void> {
  const of = <K extends ArchiveLine['is']>(is: K) => lines.filter((line): line is Line<K> => line.is === is);
  for (const { id, name } of of('device'))
    await tx.insert(devices).values({ id, name }).onConflictDoUpdate({ target: devices.id, set: { name } });
  const written = of('history').map(({ is: _is, ...line }) => line as typeof history.$inferInsert);
  await insertMany(tx, history, written);
  const hours = of('hour').map(({ is: _is, ...hour }) => hour);
  await insertMany(tx, weatherHours, hours);
  const before = of('hour before').map(({ is: _is, ...hour }) => hour);
  await insertMany(tx, weatherBefore, before);
}

/** A photo as it was kept; one that stands there already stays. */
async function keepPhoto({ id, jpeg }: Line<'photo'>, folder: string, kept: string[]): Promise<void> {
  const bytes = Buffer.from(jpeg, 'base64');
  const { format } = await sharp(bytes)
    .metadata()
    .catch(() => ({ format: 'none' }));
  if (format !== 'jpeg') throw notRead(unsaid('problem.photoNoJpeg', { id }));
  const file = fileOf(folder, id);
  if (existsSync(file)) return;
  await keepAsFile(file, bytes);
  kept.push(file);
}

/** The simulated clinic gets the samples that were sent to it, and answers those that wait. */
async function giveSamples(tx: Store): Promise<void> {
  const sent = await tx
    .select()
    .from(actions)
    .where(and(inArray(actions.kind, ['sampleSent', 'sampleAnswered']), eq(actions.undone, false)));
  const answered = new Set(
    sent.flatMap(({ value }) => (value.kind === 'sampleAnswered' ? [value.sampleId] : [])),
  );
  for (const { id, value } of sent) {
    if (value.kind !== 'sampleSent') continue;
    await takeSample(tx, id, value);
    if (answered.has(id)) await notLater(tx, 'sample', [id]);
  }
}

/** What the database will not have is the file’s fault: two trees of one code, an id that is none. */
function asRefusal(error: unknown): unknown {
  const cause = (error as { cause?: unknown } | null)?.cause ?? error;
  const { code, message } = (cause ?? {}) as { code?: unknown; message?: unknown };
  if (typeof code !== 'string' || !/^2[23]/.test(code)) return error;
  return notRead(unsaid('problem.recordsDoNotFit', { why: String(message) }));
}
