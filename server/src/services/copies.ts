// Safe copies: the whole archive, packed, read back before it counts; one a day by themselves.

import { createHash } from 'node:crypto';
import { createWriteStream, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import path from 'node:path';
import { PassThrough } from 'node:stream';
import { createGzip } from 'node:zlib';
import type { Copies } from '@mortisect/contracts';
import { DAY_MS } from '@mortisect/core/measure';
import { type Say, sayUnsaid, type Unsaid, unsaid } from '@mortisect/words';
import { count } from 'drizzle-orm';
import type { Logger } from 'pino';
import { type CopyRead, readCopy } from '../files/archiveFile';
import { HttpProblem } from '../refusal';
import { sweep } from '../store/dataFolder';
import { isFull } from '../store/faults';
import type { Db } from '../store/openDb';
import { orchards, trees } from '../store/schema';
import { syncFolder } from '../store/syncedFiles';
import { writeArchive } from './archive';

/** Days of which the last copy stays. Common practice, no source: a fortnight shows a fault that nobody saw at first. */
export const COPY_DAYS = 14;
/** From then on Today says that the last copy is old. Common practice, no source: two days may fail unseen. */
export const OLD_AFTER_MS = 3 * DAY_MS;

interface CopyParts {
  db: Db;
  photoFolder: string;
  /** Reads a copy back; off the thread that answers, where one answers. */
  read?: (file: string) => Promise<CopyRead>;
}

/**
 * Makes a copy and reads it back; only then it has its name.
 *
 * @param file path of the copy; what lies there already is replaced by a good one only
 * @throws {HttpProblem} 507 where the disk is full, 500 where what was read back is not what was written; nothing is left of the copy then
 */
export async function makeCopy(
  { db, photoFolder, read = readCopy }: CopyParts,
  file: string,
): Promise<CopyMade> {
  const part = `${file}.part`;
  try {
    mkdirSync(path.dirname(file), { recursive: true, mode: 0o700 });
    const sha256 = createHash('sha256');
    const seen = new PassThrough().on('data', (chunk: Buffer) => sha256.update(chunk));
    await writeArchive(
      db,
      photoFolder,
      seen,
      createGzip(),
      createWriteStream(part, { flush: true, mode: 0o600 }),
    );
    const back = await read(part);
    if (back.sha256 !== sha256.digest('hex'))
      throw new HttpProblem(500, 'copy-not-good', unsaid('problem.copyNotAsWritten'));
    await rename(part, file);
    syncFolder(path.dirname(file));
    return { ...back, file, bytes: statSync(file).size };
  } catch (error) {
    await rm(part, { force: true }).catch(() => undefined);
    throw asCopyProblem(error, path.dirname(file));
  }
}

function asCopyProblem(error: unknown, folder: string): unknown {
  if (error instanceof HttpProblem) return error;
  if (isFull(error)) return new HttpProblem(507, 'disk-full', unsaid('problem.noRoomForCopy', { folder }));
  const { code } = error as NodeJS.ErrnoException;
  if (code === 'EACCES' || code === 'EROFS' || code === 'ENOTDIR' || code === 'EEXIST' || code === 'EPERM')
    return new HttpProblem(500, 'copy-not-written', unsaid('problem.folderNotWritten', { folder, code }));
  return error;
}

const NAME = /^mortisect-(\d{4}-\d{2}-\d{2})T(\d{2})(\d{2})(\d{2})Z\.ndjson\.gz$/;

/** @param now ISO moment, to the second in the name */
export const copyName = (now: string) =>
  `mortisect-${new Date(now).toISOString().slice(0, 19).replaceAll(':', '')}Z.ndjson.gz`;

/** Those in a folder that were read back, newest first. A file of any other name is none. */
function copiesIn(folder: string): Copies['kept'] {
  const names = readdirSync(folder, { withFileTypes: true }).filter((entry) => entry.isFile());
  return names
    .flatMap(({ name }) => {
      const [, day, hour, minute, second] = NAME.exec(name) ?? [];
      if (day === undefined) return [];
      const madeAt = `${day}T${hour}:${minute}:${second}Z`;
      return Number.isNaN(Date.parse(madeAt))
        ? []
        : [{ name, madeAt, bytes: statSync(path.join(folder, name)).size }];
    })
    .sort((a, b) => b.madeAt.localeCompare(a.madeAt));
}

/** Names of copies that need not stay: of each of the last fourteen days that have one, the last does. */
export function spentCopies(kept: readonly { name: string; madeAt: string }[]): string[] {
  const days = new Set<string>();
  return kept.flatMap(({ name, madeAt }) => {
    const day = madeAt.slice(0, 10);
    const stays = !days.has(day) && days.size < COPY_DAYS;
    days.add(day);
    return stays ? [] : [name];
  });
}

/** What the command for a copy is told. */
export interface CopyMade extends CopyRead {
  file: string;
  bytes: number;
}

export interface CopyKeeper {
  told(say: Say): Promise<Copies>;
  /** Makes one now; whoever asks meanwhile gets the same. */
  make(say: Say): Promise<Copies>;
  /** Makes one in a file of one’s own; it is none of those that are kept by themselves. */
  makeIn(file: string): Promise<CopyMade>;
  close(): Promise<void>;
}

interface KeeperParts extends CopyParts {
  /** What is told of the database itself. */
  database: () => Copies['database'];
  /** Null: no copies are made. */
  folder: string | null;
  now: () => string;
  log: Logger;
  onFailed?: () => void;
  looksAfterMs?: number;
}

const FIRST_LOOK_MS = 60_000;
const LOOKS_AGAIN_MS = 30 * 60_000;

/** Sees to it that no day with an orchard goes without a copy. */
export function makeCopyKeeper({
  folder,
  database,
  now,
  log,
  onFailed = () => {},
  looksAfterMs = FIRST_LOOK_MS,
  ...parts
}: KeeperParts): CopyKeeper {
  let failed: { at: string; why: Unsaid } | null = null;
  let making: Promise<void> | null = null;

  const kept = () => {
    try {
      return folder === null ? [] : copiesIn(folder);
    } catch {
      return [];
    }
  };

  const make = async (into: string) => {
    try {
      const at = now();
      const { bytes } = await makeCopy(parts, path.join(into, copyName(at)));
      failed = null;
      sweep(into);
      for (const name of spentCopies(copiesIn(into))) rmSync(path.join(into, name), { force: true });
      log.info({ bytes }, 'a copy was made');
    } catch (error) {
      failed = {
        at: now(),
        why: error instanceof HttpProblem ? error.why : unsaid('problem.logSaysWhy'),
      };
      log.error({ err: error }, 'no copy could be made');
      onFailed();
      throw error;
    } finally {
      making = null;
    }
  };

  const once = (into: string) => {
    making ??= make(into);
    return making;
  };

  /** Of how long ago the last is; of the beginning of the orchard, where there is none. */
  const ageMs = async () => {
    const [last] = kept();
    if (last) return Date.parse(now()) - Date.parse(last.madeAt);
    const [orchard] = await parts.db.select().from(orchards);
    const [planted] = await parts.db.select({ n: count() }).from(trees);
    if (!orchard || !planted?.n) return null;
    return Date.parse(now()) - Date.parse(orchard.begunAt);
  };

  const look = async () => {
    if (folder === null) return;
    const age = await ageMs();
    const isDue = age !== null && (kept().length === 0 || age >= DAY_MS - LOOKS_AGAIN_MS);
    if (isDue) await once(folder).catch(() => undefined);
  };
  const looks = () =>
    void look().catch((error) => log.error({ err: error }, 'copies could not be looked at'));
  const first = setTimeout(looks, looksAfterMs).unref();
  const again = setInterval(looks, LOOKS_AGAIN_MS).unref();

  const keeper: CopyKeeper = {
    async told(say) {
      const age = await ageMs();
      return {
        folder,
        kept: kept(),
        isOld: folder !== null && age !== null && age > OLD_AFTER_MS,
        failed: failed && { at: failed.at, why: sayUnsaid(say, failed.why) },
        database: database(),
      };
    },
    async make(say) {
      if (folder === null) throw new HttpProblem(409, 'no-copies', unsaid('problem.noCopies'));
      await once(folder);
      return keeper.told(say);
    },
    makeIn: (file) => makeCopy(parts, file),
    async close() {
      clearTimeout(first);
      clearInterval(again);
      await making?.catch(() => undefined);
    },
  };
  return keeper;
}
