// Photos: sniffed, turned upright, stripped of what they say of place and camera, kept as files beside the database.
import { existsSync, mkdirSync } from 'node:fs';
import { readFile, rename, writeFile } from 'node:fs/promises';
import path from 'node:path';
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

/**
 * Sent twice it counts once.
 *
 * @throws {HttpProblem} 415 when the bytes are no photo, whatever they are called; 409 when another photo has this id
 */
export async function putPhoto(folder: string, id: string, bytes: Buffer): Promise<Photo> {
  const file = fileOf(folder, id);
  // One that a power cut left empty or cut off is taken anew
  const jpeg = await upright(bytes);
  if (!(await isWhole(file))) await keepAsFile(file, jpeg);
  const kept = await readFile(file);
  if (!kept.equals(jpeg))
    throw new HttpProblem(
      409,
      'id-taken',
      'Another photo has this id',
      'Another photo is kept under this id. It was not replaced; send this one under an id of its own.',
    );
  const { width, height } = await sharp(kept).metadata();
  return { id, bytes: kept.length, widthPx: width, heightPx: height };
}

/** Whole, or not at all. */
export async function keepAsFile(file: string, jpeg: Buffer): Promise<void> {
  mkdirSync(path.dirname(file), { recursive: true });
  const part = `${file}.part`;
  await writeFile(part, jpeg, { flush: true });
  await rename(part, file);
  syncFolder(path.dirname(file));
}

const END_OF_JPEG = Buffer.from([0xff, 0xd9]);
async function isWhole(file: string): Promise<boolean> {
  const kept = await readFile(file).catch(() => null);
  return kept !== null && kept.length > END_OF_JPEG.length && kept.subarray(-2).equals(END_OF_JPEG);
}

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
    throw new HttpProblem(
      415,
      'no-photo',
      'Not a photo',
      'These bytes are no JPEG, PNG or WebP picture. Nothing was kept.',
    );
  }
}

export async function getPhoto(
  folder: string,
  id: string,
): Promise<{ fileName: string; content: Uint8Array<ArrayBuffer> }> {
  const file = fileOf(folder, id);
  if (!existsSync(file)) throw notThere('The photo');
  return { fileName: `${id}.jpg`, content: new Uint8Array(await readFile(file)) };
}

/** Ids are UUIDs by the time they come here, in whatever capitals: no path can be smuggled in. */
export function fileOf(folder: string, id: string): string {
  return path.join(folder, `${id.toLowerCase()}.jpg`);
}
