// An archive on disk, line by line: what each says, or where the file is wrong. Those of the first version are brought to this one.

import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdtemp, open, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createInterface } from 'node:readline';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';
import { ARCHIVE_KIND, ArchiveLine } from '@mortisect/contracts/archive';
import { MOST_LIMBS } from '@mortisect/core/cuts';
import { type Unsaid, unsaid } from '@mortisect/words';
import { issueUnsaid } from '@mortisect/words/trade';
import { HttpProblem, notRead } from '../refusal';
import { upgraded } from './archiveOne';

/** Longer lines are no photo and no record: a file that is all one line is held in memory. */
export const LONGEST_LINE = 64 * 1024 * 1024;

const LARGEST_BYTES = 2 * 1024 ** 3;

/** Counts what comes in, so that neither the disk nor a line fills up. */
export function withinBounds(): Transform {
  let total = 0;
  let inLine = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      total += chunk.length;
      const lineEnd = chunk.lastIndexOf(0x0a);
      inLine = lineEnd < 0 ? inLine + chunk.length : chunk.length - lineEnd;
      if (total <= LARGEST_BYTES && inLine <= LONGEST_LINE) return done(null, chunk);
      done(
        new HttpProblem(
          413,
          'too-large',
          unsaid('problem.archiveTooLarge', {
            gigabytes: LARGEST_BYTES / 1024 ** 3,
            megabytes: LONGEST_LINE / 1024 ** 2,
          }),
        ),
      );
    },
  });
}

/** The first bytes of a packed file. @source RFC 1952, 2.3.1 */
const GZIP = [0x1f, 0x8b];

export const isPacked = (bytes: Uint8Array): boolean => GZIP.every((byte, i) => bytes[i] === byte);

/**
 * Unpacks a safe copy, whose sum of check goes with it.
 *
 * @param file path of an archive, packed or not
 * @param plain path where it is unpacked to; written only for a packed one
 * @returns the path of the archive as text
 * @throws {HttpProblem} 422 where the packed file is cut short or is not what was packed
 */
export async function unpacked(file: string, plain: string): Promise<string> {
  if (!isPacked(await firstBytes(file, GZIP.length))) return file;
  try {
    await pipeline(createReadStream(file), createGunzip(), withinBounds(), createWriteStream(plain));
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (!code?.startsWith('Z_')) throw error;
    throw notRead(unsaid(code === 'Z_BUF_ERROR' ? 'problem.copyCutShort' : 'problem.copyAltered'));
  }
  return plain;
}

export interface CopyRead {
  /** SHA-256 of the archive as text. */
  sha256: string;
  lines: number;
}

/**
 * Reads a copy from its first line to its last, as a server does that takes it in.
 *
 * @param file path of a packed archive
 * @throws {HttpProblem} 422 with what is wrong with it
 */
export async function readCopy(file: string): Promise<CopyRead> {
  const folder = await mkdtemp(path.join(tmpdir(), 'mortisect-copy-'));
  try {
    const plain = await unpacked(file, path.join(folder, 'archive'));
    const sha256 = createHash('sha256');
    await pipeline(createReadStream(plain), sha256);
    let lines = 0;
    for await (const _line of archiveLines(plain)) lines++;
    return { sha256: sha256.digest('hex'), lines };
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/**
 * @param file path of an archive
 * @throws {HttpProblem} 422 with the line and the field that is wrong, where the head or the end is missing, or lines do not belong together
 */
export async function* archiveLines(file: string): AsyncGenerator<ArchiveLine> {
  let lines = 0;
  let orchardId: string | null = null;
  let ended = false;
  for await (const given of jsonLines(file)) {
    lines++;
    if (ended) throw lineNotRead(lines, unsaid('problem.afterTheEnd'));
    const read = ArchiveLine.safeParse(given);
    if (!read.success) {
      const [issue] = read.error.issues;
      throw lineNotRead(lines, issueUnsaid(issue));
    }
    const line = read.data;
    if (lines === 1 && line.is !== 'archive') throw lineNotRead(1, unsaid('problem.noArchive'));
    if (lines > 1 && line.is === 'archive') throw lineNotRead(lines, unsaid('problem.secondArchive'));
    orchardId ??= line.orchardId;
    if (line.orchardId !== orchardId) throw lineNotRead(lines, unsaid('problem.otherOrchard'));
    if (line.is === 'history') refuseLarge(line.value, lines);
    // Neither the head nor the end counts itself
    if (line.is === 'end' && line.lines !== lines - 2)
      throw lineNotRead(lines, unsaid('problem.linesMissing', { lines: line.lines, there: lines - 2 }));
    ended = line.is === 'end';
    yield line;
  }
  if (lines === 0) throw lineNotRead(1, unsaid('problem.emptyFile'));
  if (!ended) throw lineNotRead(lines, unsaid('problem.cutOffHere'));
}

/** A limb map of an archive is no larger than one that a device sends. */
function refuseLarge(value: Record<string, unknown>, line: number): void {
  const { limbs } = value;
  if (Array.isArray(limbs) && limbs.length > MOST_LIMBS)
    throw lineNotRead(line, unsaid('problem.tooManyLimbs', { limbs: limbs.length, most: MOST_LIMBS }));
}

const lineNotRead = (line: number, what: Unsaid) => notRead(unsaid('problem.atLine', { line, what }));

async function* jsonLines(file: string): AsyncGenerator<unknown> {
  if (await isFirstVersion(file)) {
    yield* upgraded(asJson(await readFile(file, 'utf8'), 1));
    return;
  }
  let number = 0;
  for await (const text of createInterface({ input: createReadStream(file, 'utf8'), crlfDelay: 1000 })) {
    number++;
    if (text !== '') yield asJson(text, number);
  }
}

function asJson(text: string, line: number): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw lineNotRead(line, unsaid('problem.noJsonLine'));
  }
}

const HEAD_BYTES = 200;

/** One JSON object for the whole orchard. */
async function isFirstVersion(file: string): Promise<boolean> {
  const head = (await firstBytes(file, HEAD_BYTES)).toString('utf8');
  return head.includes(`"${ARCHIVE_KIND}"`) && /"version"\s*:\s*1\b/.test(head);
}

async function firstBytes(file: string, most: number): Promise<Buffer> {
  const handle = await open(file);
  try {
    const { buffer, bytesRead } = await handle.read(Buffer.alloc(most), 0, most, 0);
    return buffer.subarray(0, bytesRead);
  } finally {
    await handle.close();
  }
}
