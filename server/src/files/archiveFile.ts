// An archive on disk, line by line: what each says, or where the file is wrong. Those of the first version are brought to this one.
import { createReadStream } from 'node:fs';
import { open, readFile } from 'node:fs/promises';
import { createInterface } from 'node:readline';
import { fieldPath } from '@mortisect/contracts';
import { ARCHIVE_KIND, ArchiveLine } from '@mortisect/contracts/archive';
import { HttpProblem } from '../refusal';
import { upgraded } from './archiveOne';

/** Longer lines are no photo and no record: a file that is all one line is held in memory. */
export const LONGEST_LINE = 64 * 1024 * 1024;

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
    if (ended) throw notRead(lines, 'something stands after the end of the archive.');
    const read = ArchiveLine.safeParse(given);
    if (!read.success) {
      const [issue] = read.error.issues;
      const where = fieldPath(issue?.path ?? []);
      throw notRead(lines, `${where === '' ? '' : `${where}: `}${issue?.message ?? 'not understood.'}`);
    }
    const line = read.data;
    if (lines === 1 && line.is !== 'archive') throw notRead(1, 'this is no archive of an orchard.');
    if (lines > 1 && line.is === 'archive') throw notRead(lines, 'a second archive begins here.');
    orchardId ??= line.orchardId;
    if (line.orchardId !== orchardId) throw notRead(lines, 'orchardId: it is of another orchard.');
    // Neither the head nor the end counts itself
    if (line.is === 'end' && line.lines !== lines - 2)
      throw notRead(lines, `of ${line.lines} lines there are ${lines - 2}: some are missing.`);
    ended = line.is === 'end';
    yield line;
  }
  if (lines === 0) throw notRead(1, 'the file is empty.');
  if (!ended) throw notRead(lines, 'the archive ends here, without its last line: the file was cut off.');
}

const notRead = (line: number, what: string) =>
  new HttpProblem(422, 'file-not-read', 'The archive was not read', `Line ${line}: ${what}`);

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
    throw notRead(line, 'this is not JSON; the file may be cut off.');
  }
}

const HEAD_BYTES = 200;

/** One JSON object for the whole orchard. */
async function isFirstVersion(file: string): Promise<boolean> {
  const handle = await open(file);
  try {
    const { buffer, bytesRead } = await handle.read(Buffer.alloc(HEAD_BYTES), 0, HEAD_BYTES, 0);
    const head = buffer.subarray(0, bytesRead).toString('utf8');
    return head.includes(`"${ARCHIVE_KIND}"`) && /"version"\s*:\s*1\b/.test(head);
  } finally {
    await handle.close();
  }
}
