// Photos: sniffed, turned upright, stripped of what they say of place and camera, kept as files beside the database.

import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync } from 'node:fs';
import { readFile, rename, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { unsaid } from '@mortisect/words';
import sharp from 'sharp';
import { HttpProblem, notThere } from '../refusal';
import { syncFolder } from '../store/syncedFiles';

const FORMATS = new Set(['jpeg', 'png', 'webp']);
const LONGEST_PX = 1600;
const MOST_PIXELS = 50_000_000;
const QUALITY = 80;

export interface Photo {
  id: string;
  bytes: number;
  widthPx: number;
  heightPx: number;
}

/** What is known of a photo that is kept: digests of the bytes that were sent, and of those that were kept of them. */
interface Known {
  /** Null where it came with an archive. */
  sent: string | null;
  kept: string;
}

const digest = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');
const knownFile = (file: string) => `${file}.sums`;

/** Null for a photo that an earlier version kept. */
async function knownOf(file: string): Promise<Known | null> {
  const text = await readFile(knownFile(file), 'utf8').catch(() => '');
  const [kept, sent] = text.split('\n');
  return kept ? { kept, sent: sent || null } : null;
}

/**
 * Sent twice it counts once; one that the disk spoilt is kept anew from the same picture.
 *
 * @throws {HttpProblem} 415 when the bytes are no photo, whatever they are called; 409 when another photo has this id
 */
export async function putPhoto(folder: string, id: string, bytes: Buffer): Promise<Photo> {
  const file = fileOf(folder, id);
  const jpeg = await upright(bytes);
  const [before, known] = await Promise.all([readFile(file).catch(() => null), knownOf(file)]);
  const isSound = before !== null && (known ? digest(before) === known.kept : endsAsJpeg(before));
  const isSame = known
    ? known.sent === digest(bytes) || known.kept === digest(jpeg)
    : !isSound || before.equals(jpeg);
  if (!isSame) throw new HttpProblem(409, 'id-taken', unsaid('problem.idTaken'));
  if (!isSound) await keepAsFile(file, jpeg, bytes);
  const kept = isSound ? before : jpeg;
  const { width, height } = await sharp(kept).metadata();
  return { id, bytes: kept.length, widthPx: width, heightPx: height };
}

/** Whole, or not at all. @param sent what it was made of, where that is known */
export async function keepAsFile(file: string, jpeg: Buffer, sent?: Buffer): Promise<void> {
  mkdirSync(path.dirname(file), { recursive: true });
  // The digests first: a picture never stands without them
  for (const [place, content] of [
    [knownFile(file), `${digest(jpeg)}\n${sent ? digest(sent) : ''}\n`],
    [file, jpeg],
  ] as const) {
    await writeFile(`${place}.part`, content, { flush: true });
    await rename(`${place}.part`, place);
  }
  syncFolder(path.dirname(file));
}

/** Takes back what `keepAsFile` kept. */
export async function dropFile(file: string): Promise<void> {
  for (const place of [file, knownFile(file)]) await rm(place, { force: true });
}

const PHOTO = /^([0-9a-f-]{36})\.jpg$/;

/** Ids of the photos that are kept, in order. */
export function photosIn(folder: string): string[] {
  const names = existsSync(folder) ? readdirSync(folder) : [];
  return names.flatMap((name) => PHOTO.exec(name)?.[1] ?? []).sort();
}

/** Ids of photos that are not what was kept. */
export async function spoiltPhotos(folder: string): Promise<string[]> {
  const spoilt: string[] = [];
  for (const id of photosIn(folder)) {
    const file = fileOf(folder, id);
    const [bytes, known] = await Promise.all([readFile(file), knownOf(file)]);
    if (known ? digest(bytes) !== known.kept : !endsAsJpeg(bytes)) spoilt.push(id);
  }
  return spoilt;
}

const END_OF_JPEG = Buffer.from([0xff, 0xd9]);
/** A power cut could once leave one empty or cut off. */
const endsAsJpeg = (bytes: Buffer) =>
  bytes.length > END_OF_JPEG.length && bytes.subarray(-2).equals(END_OF_JPEG);

async function upright(bytes: Buffer): Promise<Buffer> {
  try {
    const image = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
    const { format } = await image.metadata();
    if (!FORMATS.has(format)) throw new Error(format);
    // Without withMetadata() nothing of EXIF, GPS or maker notes is carried over
    return await image
      .rotate()
      .resize({ width: LONGEST_PX, height: LONGEST_PX, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: QUALITY })
      .toBuffer();
  } catch {
    throw new HttpProblem(415, 'no-photo', unsaid('problem.noPhoto'));
  }
}

export async function getPhoto(
  folder: string,
  id: string,
): Promise<{ fileName: string; content: Uint8Array<ArrayBuffer> }> {
  const file = fileOf(folder, id);
  if (!existsSync(file)) throw notThere(unsaid('problem.thePhoto'));
  return { fileName: `${id}.jpg`, content: new Uint8Array(await readFile(file)) };
}

/** Ids are UUIDs by the time they come here, in whatever capitals: no path can be smuggled in. */
export function fileOf(folder: string, id: string): string {
  return path.join(folder, `${id.toLowerCase()}.jpg`);
}
