// Are the pages of the embedded database what was written? Each carries a checksum; what the database has not read for long nobody else would notice.
import { closeSync, openSync, readdirSync, readSync } from 'node:fs';
import path from 'node:path';
import { setTimeout as after } from 'node:timers/promises';

export interface DamagedPage {
  /** Below the folder of the database. */
  file: string;
  /** Of the relation the file belongs to, counted from its beginning. */
  block: number;
}

const PAGE_BYTES = 8192;
const WORDS = PAGE_BYTES / 4;
/** A relation of more than a gigabyte lies in several files. */
const BLOCKS_A_FILE = 131_072;
const CHECKSUM_AT = 8;
const UPPER_AT = 14;
/** Of the word that the checksum stands in: the other half. */
const WITHOUT_CHECKSUM = 0xffff_0000 | 0;

/** @source PostgreSQL, src/include/storage/checksum_impl.h: FNV-1a in 32 sums side by side, over the page with its own checksum as nought */
const PRIME = 16_777_619;
const OFFSETS = Uint32Array.of(
  0x5b1f36e9,
  0xb8525960,
  0x02ab50aa,
  0x1de66d2a,
  0x79ff467a,
  0x9bb9f8a3,
  0x217e7cd2,
  0x83e13d2c,
  0xf8d4474f,
  0xe39eb970,
  0x42c6ae16,
  0x993216fa,
  0x7b093b5d,
  0x98daff3c,
  0xf718902a,
  0x0b1c9cdb,
  0xe58f764b,
  0x187636bc,
  0x5d7b3bb1,
  0xe73de7de,
  0x92bec979,
  0xcca6c0b2,
  0x304a0979,
  0x85aa43d4,
  0x783125bb,
  0x6ca8eaa2,
  0xe407eac6,
  0x4b5cfc3e,
  0x9fbf8c76,
  0x15ca20be,
  0xf2ca9fd3,
  0x959bd756,
);

/** @param page as it lies on the disk, at a multiple of four bytes; @param block its number within the relation */
export function checksumOf(page: Uint8Array, block: number): number {
  const words = new Int32Array(page.buffer, page.byteOffset, WORDS);
  const sums = Int32Array.from(OFFSETS);
  const lanes = sums.length;
  const mix = (lane: number, word: number) => {
    const mixed = (sums[lane] as number) ^ word;
    sums[lane] = Math.imul(mixed, PRIME) ^ (mixed >>> 17);
  };
  for (let at = 0; at < WORDS; at += lanes)
    for (let lane = 0; lane < lanes; lane++) {
      const word = words[at + lane] as number;
      mix(lane, at + lane === CHECKSUM_AT / 4 ? word & WITHOUT_CHECKSUM : word);
    }
  for (let round = 0; round < 2; round++) for (let lane = 0; lane < lanes; lane++) mix(lane, 0);
  const sum = sums.reduce((all, word) => all ^ word, 0) ^ block;
  return ((sum >>> 0) % 65_535) + 1;
}

const NOUGHTS = Buffer.alloc(PAGE_BYTES);

/** A page that was never written is all noughts and carries none. */
function isWhole(page: Buffer, block: number): boolean {
  if (page.readUInt16LE(UPPER_AT) === 0) return page.equals(NOUGHTS);
  return page.readUInt16LE(CHECKSUM_AT) === checksumOf(page, block);
}

const RELATION = /^\d+(?:_(?:fsm|vm|init))?(?:\.(\d+))?$/;
/** A page that is being written just now is whole a moment later. */
const AGAIN_MS = 300;

/**
 * Reads every page of every table and index.
 *
 * @param folder of the database; it may be in use
 * @returns pages that are not what was written
 */
export async function damagedPages(folder: string): Promise<DamagedPage[]> {
  const suspects = relationFiles(folder).flatMap((file) => damagedIn(folder, file));
  if (suspects.length === 0) return [];
  await after(AGAIN_MS);
  const again = [...new Set(suspects.map(({ file }) => file))].flatMap((file) => damagedIn(folder, file));
  return again.filter(({ file, block }) =>
    suspects.some((suspect) => suspect.file === file && suspect.block === block),
  );
}

function relationFiles(folder: string): string[] {
  const databases = readdirSync(path.join(folder, 'base')).map((name) => path.join('base', name));
  return ['global', ...databases].flatMap((place) =>
    readdirSync(path.join(folder, place))
      .filter((name) => RELATION.test(name))
      .map((name) => path.join(place, name)),
  );
}

const READ_AT_ONCE = 128 * PAGE_BYTES;

function damagedIn(folder: string, file: string): DamagedPage[] {
  const first = Number(RELATION.exec(path.basename(file))?.[1] ?? 0) * BLOCKS_A_FILE;
  const damaged: DamagedPage[] = [];
  const buffer = Buffer.alloc(READ_AT_ONCE);
  let opened: number;
  try {
    opened = openSync(path.join(folder, file), 'r');
  } catch {
    // A table that was dropped meanwhile
    return [];
  }
  try {
    for (let block = first; ; ) {
      const read = readSync(opened, buffer, 0, READ_AT_ONCE, (block - first) * PAGE_BYTES);
      for (let at = 0; at + PAGE_BYTES <= read; at += PAGE_BYTES, block++)
        if (!isWhole(buffer.subarray(at, at + PAGE_BYTES), block)) damaged.push({ file, block });
      if (read < READ_AT_ONCE) return damaged;
    }
  } finally {
    closeSync(opened);
  }
}
