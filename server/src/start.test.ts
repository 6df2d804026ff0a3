// Starting: what cannot be had is said in one line, and nothing is damaged; what was written is there again.
import {
  chmodSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import { pino } from 'pino';
import { readConfig } from './config';
import { type Running, start } from './start';
import { holdDataFolder } from './store/dataFolder';
import { openDb } from './store/openDb';

const log = pino({ level: 'silent' });
let folder: string;
let running: Running | null = null;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'orchard-'));
});
afterEach(async () => {
  await running?.stop();
  running = null;
  rmSync(folder, { recursive: true, force: true });
});

const config = (...argv: string[]) => readConfig(['--data', folder, '--port', '0', ...argv], {});
const ask = async (url: string, at: string, init?: RequestInit) => {
  const answer = await fetch(`${url}${at}`, init);
  return (await answer.json()) as Record<string, unknown>;
};

test('what was written is there after a restart; a second start on the folder or the port is refused', async () => {
  running = await start(config(), log);
  const { url } = running;
  const deviceId = '0193f000-0000-7000-8000-0000000000bb';
  const put = (at: string, body: object) =>
    ask(url, at, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json', 'X-Device-Id': deviceId },
      body: JSON.stringify(body),
    });
  await put(`/api/devices/${deviceId}`, { name: 'Boat crew' });
  await put('/api/actions/0193f000-0000-7000-8000-0000000000cc', {
    kind: 'bladeCleaned',
    at: '2026-11-24T09:00:00Z',
    blade: 'Blade 1',
    agentId: 'alcohol-70',
  });

  await expect(start(config(), log)).rejects.toThrow(`in use by process ${process.pid}`);
  const taken = new URL(url).port;
  await expect(start(readConfig(['--data', `${folder}-other`, '--port', taken], {}), log)).rejects.toThrow(
    `Port ${taken}`,
  );

  // Whoever listens for changes is let go, and does not hold the server for its ten seconds of grace
  const listening = await fetch(`${url}/api/changes`);
  const since = Date.now();
  await Promise.all([listening.text(), running.stop()]);
  expect(Date.now() - since).toBeLessThan(9500);
  running = await start(config(), log);
  const { entries } = await ask(running.url, '/api/log?limit=1');
  expect(entries).toMatchObject([
    { by: 'Boat crew', entry: { kind: 'action', action: { kind: 'bladeCleaned' } } },
  ]);
});

test('a stale lock is taken over, a lock of a live process is not', () => {
  const lock = path.join(folder, 'lock');
  for (const stale of [
    '{"pid":999999999,"started":null}',
    'not a lock',
    `{"pid":${process.pid},"started":"1"}`,
  ]) {
    writeFileSync(lock, stale);
    const held = holdDataFolder(folder);
    expect(JSON.parse(readFileSync(lock, 'utf8')).pid).toBe(process.pid);
    held.release();
  }
  const held = holdDataFolder(folder);
  expect(() => holdDataFolder(folder)).toThrow('in use by process');
  held.release();
});

test('a lock that somebody removed by hand lets nobody in while its process lives', () => {
  const held = holdDataFolder(folder);
  rmSync(path.join(folder, 'lock'));
  expect(() => holdDataFolder(folder)).toThrow('in use by another process');
  held.release();
  holdDataFolder(folder).release();
});

test('what was left half written an hour ago goes with the next start, and nothing else', () => {
  const photos = path.join(folder, 'photos');
  mkdirSync(photos);
  const hourAgo = Date.now() / 1000 - 3600;
  for (const [name, at] of [
    ['old.jpg.part', hourAgo - 5],
    ['young.jpg.part', hourAgo + 60],
    ['old.jpg', hourAgo - 5],
  ] as const) {
    writeFileSync(path.join(photos, name), 'x');
    utimesSync(path.join(photos, name), at, at);
  }
  holdDataFolder(folder).release();
  expect(readdirSync(photos).sort()).toEqual(['old.jpg', 'young.jpg.part']);
});

test('a folder that cannot be written is named', () => {
  const file = path.join(folder, 'file');
  writeFileSync(file, 'kept');
  for (const unwritable of [path.join(file, 'data'), '/proc/data']) {
    expect(() => holdDataFolder(unwritable)).toThrow(`The data folder ${unwritable} cannot be written`);
  }
  expect(readFileSync(file, 'utf8')).toBe('kept');
});

test('a database whose beginning was cut off is begun anew; one newer than the code is left alone', async () => {
  mkdirSync(path.join(folder, 'db.begun'));
  writeFileSync(path.join(folder, 'db.begun/PG_VERSION'), 'half of it');
  const store = await openDb({ folder });
  expect(readdirSync(folder)).toEqual(['db']);
  // What its makers have begun stores and sorts text as a cluster that is begun here
  const [begun] = (
    (await store.db.execute(
      sql`select pg_encoding_to_char(encoding) as encoding, datcollate as collate from pg_database where datname = current_database()`,
    )) as unknown as { rows: unknown[] }
  ).rows;
  expect(begun).toEqual({ encoding: 'UTF8', collate: 'C' });
  await store.db.execute(
    sql`insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', 99999999999999)`,
  );
  await store.close();
  await expect(start(config('--demo'), log)).rejects.toThrow('newer version of Mortisect');
  await expect(start(config(), log)).rejects.toThrow('newer version');
});

test.each([
  [['--port', 'many'], 'port'],
  [['--colour', 'red'], '--colour'],
  [['--now', 'yesterday'], 'now'],
])('a setting that is not usable is named: %j', (argv, named) => {
  expect(() => readConfig(argv, {})).toThrow(named);
});

test('what is in the data folder is for nobody else on the machine, and the folder itself stays as it was', () => {
  const inner = path.join(folder, 'db');
  mkdirSync(inner, { mode: 0o755 });
  chmodSync(folder, 0o755);
  holdDataFolder(folder).release();
  expect([folder, inner].map((place) => statSync(place).mode & 0o777)).toEqual([0o755, 0o700]);
  const fresh = path.join(folder, 'fresh');
  holdDataFolder(fresh).release();
  expect(statSync(fresh).mode & 0o777).toBe(0o700);
});
