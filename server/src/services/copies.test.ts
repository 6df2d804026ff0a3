// Safe copies: everything back byte for byte, and nothing where a copy is not whole.

import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { PassThrough } from 'node:stream';
import { gunzipSync, gzipSync } from 'node:zlib';
import { DAY_MS } from '@mortisect/core/measure';
import { english } from '@mortisect/words/all';
import { pino } from 'pino';
import { type Config, readConfig } from '../config';
import { backup, restore } from '../copyCommands';
import { start } from '../start';
import { holdDataFolder } from '../store/dataFolder';
import { openDb } from '../store/openDb';
import { orchards } from '../store/schema';
import {
  freshServerDatabase,
  NOW,
  type Orchard,
  openEmpty,
  openOrchard,
  requestsTo,
} from '../testing/orchard';
import { writeArchive } from './archive';
import { COPY_DAYS, copyName, makeCopy, makeCopyKeeper, OLD_AFTER_MS, spentCopies } from './copies';

const log = pino({ level: 'silent' });
let folder: string;
let source: Orchard;
let file: string;
let text: string;
/** A folder into which that copy was brought back, and what was told. */
let restored: string;
let words: string[];
beforeAll(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'copies-'));
  file = path.join(folder, 'source', 'all.ndjson.gz');
  source = await openOrchard('memory', { photoFolder: path.join(folder, 'photos') });
  mkdirSync(path.join(folder, 'photos'));
  writeFileSync(path.join(folder, 'photos/0193f000-0000-7000-8000-0000000000f0.jpg'), JPEG);
  await makeCopy({ db: source.store.db, photoFolder: path.join(folder, 'photos') }, file);
  text = gunzipSync(readFileSync(file)).toString();
  restored = path.join(folder, 'elsewhere');
  words = await restore(settings(restored), file);
});
afterAll(async () => {
  await source.close();
  rmSync(folder, { recursive: true });
});

/** One grey point. */
const JPEG = Buffer.from(
  '/9j/4AAQSkZJRgABAQEASABIAAD/2wBDAAMCAgICAgMCAgIDAwMDBAYEBAQEBAgGBgUGCQgKCgkICQkKDA8MCgsOCwkJDRENDg8QEBEQCgwSExIQEw8QEBD/yQALCAABAAEBAREA/8wABgAQEAX/2gAIAQEAAD8A0s8g/9k=',
  'base64',
);

const settings = (dataFolder: string, more: Partial<Config> = {}): Config => ({
  ...readConfig(['--data', dataFolder, '--port', '0'], {}),
  now: NOW,
  ...more,
});

/** The archive of what stands in a place. */
async function archiveIn(place: Parameters<typeof openDb>[0], photoFolder: string): Promise<string> {
  const store = await openDb(place);
  try {
    const chunks: Buffer[] = [];
    const sink = new PassThrough().on('data', (chunk: Buffer) => chunks.push(chunk));
    await writeArchive(store.db, photoFolder, sink);
    return Buffer.concat(chunks).toString();
  } finally {
    await store.close();
  }
}

test('a copy brought back into an empty folder is the same orchard, byte for byte, and only its owner reads it', async () => {
  expect(words.join('\n')).toMatch(/trees 48, findings \d+, things done \d+, .*photos 1\./);
  expect(await archiveIn({ folder: restored }, path.join(restored, 'photos'))).toBe(text);
  expect(text).toContain('"is":"photo"');
  expect(statSync(file).mode & 0o777).toBe(0o600);
});

const serverUrl = process.env.TEST_DATABASE_URL;
(serverUrl ? test : test.skip)('and into a PostgreSQL server, from which a copy is the same', async () => {
  const databaseUrl = await freshServerDatabase(serverUrl as string);
  const photoFolder = path.join(folder, 'server-photos');
  const config = settings(folder, { databaseUrl, photoFolder });
  await restore(config, file);
  const again = path.join(folder, 'server.ndjson.gz');
  await backup({ ...config, backup: again });
  expect(gunzipSync(readFileSync(again)).toString()).toBe(text);
});

const WELL = { damage: null, isReadOnly: false };

describe('what is not a whole copy is refused in words, and leaves nothing', () => {
  const lines = () => text.split('\n');
  test.each<[string, () => Buffer, RegExp]>([
    ['cut short', () => readFileSync(file).subarray(0, -20), /was cut short/],
    ['cut in the middle', () => readFileSync(file).subarray(0, 5000), /was cut short/],
    ['altered', () => withByte(readFileSync(file), 3000), /altered or its disk is damaged/],
    ['altered at its sum of check', () => withByte(readFileSync(file), statSync(file).size - 6), /altered/],
    ['without its last line', () => gzipSync(lines().slice(0, -2).join('\n')), /without its last line/],
    ['without one line', () => gzipSync(lines().toSpliced(5, 1).join('\n')), /some are missing/],
    [
      'of a newer version',
      () => gzipSync(text.replace('"version":2', '"version":3')),
      /later version than this server reads/,
    ],
    ['a picture', () => JPEG, /not JSON/],
    ['empty', () => Buffer.alloc(0), /The file is empty/],
  ])('%s', async (what, bytes, words) => {
    const bad = path.join(folder, 'bad');
    writeFileSync(bad, bytes());
    const data = path.join(folder, `bad ${what}`);
    await expect(restore(settings(data), bad)).rejects.toThrow(words);
    expect(existsSync(data)).toBe(false);
  });

  const withByte = (bytes: Buffer, at: number) => {
    bytes[at] = (bytes[at] as number) ^ 0x10;
    return bytes;
  };

  test('a folder that has an orchard keeps it; a copy that is not there is named', async () => {
    await expect(restore(settings(restored), file)).rejects.toThrow('This one has 48 trees');
    expect(await archiveIn({ folder: restored }, path.join(restored, 'photos'))).toBe(text);
    await expect(restore(settings(restored), path.join(folder, 'none'))).rejects.toThrow('There is no copy');
  });
});

test('a copy is made while the server runs, by its own door, which opens to nobody without the key', async () => {
  const data = restored;
  const running = await start(settings(data), log);
  try {
    const door = path.join(data, 'control.json');
    expect(statSync(door).mode & 0o777).toBe(0o600);
    const { port } = JSON.parse(readFileSync(door, 'utf8'));
    const asked = (key: string) =>
      fetch(`http://127.0.0.1:${port}/copy`, { method: 'POST', headers: { Authorization: `Bearer ${key}` } });
    expect((await asked('x'.repeat(43))).status).toBe(401);
    expect(() => holdDataFolder(data)).toThrow('in use');
    const target = path.join(folder, 'running.ndjson.gz');
    const words = await backup(settings(data, { backup: target }));
    expect(words[0]).toBe(`A copy of everything lies in ${target}`);
    expect(gunzipSync(readFileSync(target)).toString()).toBe(text);
    await expect(restore(settings(data), file)).rejects.toThrow('in use');
    await expect(backup(settings(data, { backup: path.join(door, 'x') }))).rejects.toThrow(
      'cannot be written',
    );
  } finally {
    await running.stop();
  }
  expect(existsSync(path.join(data, 'control.json'))).toBe(false);
  // And where none runs
  const words = await backup(settings(data, { copyFolder: path.join(folder, 'named') }));
  expect(words[0]).toContain(path.join(folder, 'named', copyName(NOW)));
});

test('a copy that does not read back as it was written, or has no room, leaves what was there', async () => {
  const at = path.join(folder, 'kept', 'one.gz');
  const parts = { db: source.store.db, photoFolder: path.join(folder, 'photos') };
  mkdirSync(path.dirname(at));
  writeFileSync(at, 'the last good one');
  const other = async () => ({ sha256: 'other', lines: 1 });
  await expect(makeCopy({ ...parts, read: other }, at)).rejects.toThrow('not what was written');
  const full = async () => {
    throw Object.assign(new Error('write'), { code: 'ENOSPC' });
  };
  await expect(makeCopy({ ...parts, read: full }, at)).rejects.toMatchObject({
    status: 507,
    type: 'disk-full',
  });
  expect(readdirSync(path.dirname(at))).toEqual(['one.gz']);
  expect(readFileSync(at, 'utf8')).toBe('the last good one');
});

describe('one a day', () => {
  const keeper = (now: () => string, more: object = {}) =>
    makeCopyKeeper({
      db: source.store.db,
      photoFolder: path.join(folder, 'photos'),
      folder: path.join(folder, 'daily'),
      database: () => WELL,
      now,
      log,
      looksAfterMs: 1e9,
      ...more,
    });
  const later = (ms: number) => new Date(Date.parse(NOW) + ms).toISOString();

  test('the last good one is told; old is what is more than three days old, by a millisecond', async () => {
    rmSync(path.join(folder, 'daily'), { recursive: true, force: true });
    const told = (ms: number) => keeper(() => later(ms)).told(english);
    // None yet: from the beginning of the orchard on
    const [orchard] = await source.store.db.select().from(orchards);
    const begun = Date.parse(orchard?.begunAt ?? '') - Date.parse(NOW);
    expect(await told(begun + OLD_AFTER_MS)).toMatchObject({ kept: [], isOld: false, failed: null });
    expect((await told(begun + OLD_AFTER_MS + 1)).isOld).toBe(true);
    const made = await keeper(() => later(DAY_MS)).make(english);
    expect(made.kept).toMatchObject([
      { name: copyName(later(DAY_MS)), madeAt: later(DAY_MS).replace('.000', '') },
    ]);
    expect(made.kept[0]?.bytes).toBeGreaterThan(1000);
    expect((await told(DAY_MS + OLD_AFTER_MS)).isOld).toBe(false);
    expect((await told(DAY_MS + OLD_AFTER_MS + 1)).isOld).toBe(true);
    writeFileSync(path.join(folder, 'daily/holiday.ndjson.gz'), 'mine');
    expect((await told(DAY_MS)).kept).toHaveLength(1);
  });

  test('the server looks by itself, and makes one where the last is of yesterday', async () => {
    rmSync(path.join(folder, 'daily'), { recursive: true, force: true });
    const after = async (ms: number) => {
      const looking = keeper(() => later(ms), { looksAfterMs: 1 });
      await new Promise((resolve) => setTimeout(resolve, 50));
      // Lets it finish what it began
      await looking.close();
      return (await looking.told(english)).kept.map(({ madeAt }) => madeAt);
    };
    expect(await after(0)).toHaveLength(1);
    expect(await after(DAY_MS / 2)).toHaveLength(1);
    expect(await after(DAY_MS)).toHaveLength(2);
  });

  test('an orchard without a tree has nothing to copy, and no copy of it is old', async () => {
    const empty = await openEmpty();
    const at = path.join(folder, 'empty');
    const looking = keeper(() => later(30 * DAY_MS), { db: empty.store.db, folder: at, looksAfterMs: 1 });
    await new Promise((resolve) => setTimeout(resolve, 50));
    await looking.close();
    expect(await looking.told(english)).toMatchObject({ kept: [], isOld: false, failed: null });
    await empty.close();
  });

  test('why there is none is told until there is one', async () => {
    const failing = keeper(() => NOW, { folder: path.join(file, 'inside') });
    await expect(failing.make(english)).rejects.toThrow('cannot be written');
    expect((await failing.told(english)).failed).toMatchObject({
      at: NOW,
      why: expect.stringContaining('cannot be written'),
    });
  });

  test('of each of the last fourteen days its last copy stays', () => {
    const of = (day: number, hour = 9) => later(day * DAY_MS + hour * 3_600_000);
    const kept = [...Array.from({ length: COPY_DAYS + 2 }, (_, day) => of(-day)), of(0, 8)]
      .map((madeAt) => ({ name: copyName(madeAt), madeAt }))
      .sort((a, b) => b.madeAt.localeCompare(a.madeAt));
    expect(COPY_DAYS).toBe(14);
    expect(spentCopies(kept)).toEqual([of(0, 8), of(-14), of(-15)].map(copyName));
  });
});

test('over the wire: told and made; where none are wanted it says so', async () => {
  const orchard = await openEmpty({ copyFolder: path.join(folder, 'wire') });
  const { app } = orchard;
  const { read } = requestsTo(() => orchard);
  expect(await read('/api/copies')).toEqual({
    folder: path.join(folder, 'wire'),
    kept: [],
    isOld: false,
    failed: null,
    database: WELL,
  });
  const { default: request } = await import('supertest');
  const made = await request(app).post('/api/copies').set('Host', '127.0.0.1').expect(200);
  expect(made.body.kept).toHaveLength(1);
  await orchard.close();
  const none = await request(source.app).post('/api/copies').set('Host', '127.0.0.1').expect(409);
  expect(none.body.detail).toContain('--copies none');
});
