// An answer comes after the disk has it. (What a power cut leaves is tried by `npm run harden`.)
import fs, { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import sharp from 'sharp';
import { fileOf, keepAsFile, putPhoto, spoiltPhotos } from '../services/photos';
import { openDb } from './openDb';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'synced-'));
});
afterEach(() => {
  jest.restoreAllMocks();
  rmSync(folder, { recursive: true, force: true });
});

test('every commit of the embedded database is synced before it is answered for', async () => {
  const store = await openDb({ folder });
  try {
    const { rows } = (await store.db.execute(sql`show fsync`)) as unknown as { rows: { fsync: string }[] };
    expect(rows[0]?.fsync).toBe('on');
    await store.db.execute(sql`create table kept (id int)`);
    const synced = jest.spyOn(fs, 'fsyncSync');
    for (let id = 0; id < 5; id++) {
      const before = synced.mock.calls.length;
      await store.db.execute(sql`insert into kept values (${id})`);
      expect(synced.mock.calls.length).toBeGreaterThan(before);
    }
  } finally {
    await store.close();
  }
});

test('a photo is synced, and one that was cut off or left empty is taken anew', async () => {
  const photos = path.join(folder, 'photos');
  const id = '0193f000-0000-7000-8000-0000000000ab';
  const picture = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#527a35' } })
    .png()
    .toBuffer();
  const synced = jest.spyOn(fs, 'fsyncSync');
  const { bytes } = await putPhoto(photos, id, picture);
  expect(synced).toHaveBeenCalled();
  const whole = readFileSync(fileOf(photos, id));
  expect(whole).toHaveLength(bytes);
  const spoilt = Buffer.from(whole);
  spoilt[bytes >> 1] = (spoilt[bytes >> 1] as number) ^ 0x20;
  for (const left of [Buffer.alloc(0), Buffer.alloc(bytes), whole.subarray(0, bytes - 20), spoilt]) {
    writeFileSync(fileOf(photos, id), left);
    expect(await spoiltPhotos(photos)).toEqual([id]);
    expect(await putPhoto(photos, id, picture)).toEqual({ id, bytes, widthPx: 40, heightPx: 30 });
    expect(readFileSync(fileOf(photos, id)).equals(whole)).toBe(true);
  }
  expect(await spoiltPhotos(photos)).toEqual([]);
  // One of an earlier version, of which no digests are kept, is told by its end
  rmSync(`${fileOf(photos, id)}.sums`);
  expect((await putPhoto(photos, id, picture)).bytes).toBe(bytes);
  writeFileSync(fileOf(photos, id), whole.subarray(0, bytes - 20));
  expect(await spoiltPhotos(photos)).toEqual([id]);
  expect((await putPhoto(photos, id, picture)).bytes).toBe(bytes);
  // Another under the same id is neither dropped unseen nor put in its place
  const other = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#ffffff' } })
    .jpeg()
    .toBuffer();
  await expect(putPhoto(photos, id, other)).rejects.toMatchObject({ status: 409, type: 'id-taken' });
  await expect(putPhoto(photos, id, Buffer.from('no picture'))).rejects.toMatchObject({ status: 415 });
  expect((await putPhoto(photos, id.toUpperCase(), picture)).bytes).toBe(bytes);
  // A spoilt one is mended by its own picture and by no other; one that came with an archive too
  for (const sent of [picture, undefined]) {
    await keepAsFile(fileOf(photos, id), whole, sent);
    writeFileSync(fileOf(photos, id), spoilt);
    await expect(putPhoto(photos, id, other)).rejects.toMatchObject({ type: 'id-taken' });
    await putPhoto(photos, id, picture);
    expect(readFileSync(fileOf(photos, id)).equals(whole)).toBe(true);
  }
});
