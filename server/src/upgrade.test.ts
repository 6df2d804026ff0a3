// A data folder of the first schema, with what a crew had recorded in it, is started by this version: all of it is there, and nothing has to be mended.
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { pino } from 'pino';
import journal from '../drizzle/meta/_journal.json';
import { readConfig } from './config';
import { compareTables } from './services/rebuild';
import { type Running, start } from './start';
import { BEFORE_UPGRADE, openDb } from './store/openDb';
import { withStore } from './store/withStore';

const log = pino({ level: 'silent' });
const folder = mkdtempSync(path.join(tmpdir(), 'first-schema-'));
const config = readConfig(['--data', folder, '--port', '0', '--copies', 'none'], {});
let running: Running | null = null;
afterAll(async () => {
  await running?.stop();
  rmSync(folder, { recursive: true, force: true });
});

const DEVICE = '0193f000-0000-7000-8000-0000000000aa';
const FINDING = '0193f000-0000-7000-8000-000000000011';
const CUT = '0193f000-0000-7000-8000-000000000012';
const AT = '2026-11-20T09:00:00.000Z';
const limb = (id: string, parentId: string | null) => ({
  id,
  parentId,
  jointCm: parentId ? 60 : 0,
  lengthCm: 200,
  baseMm: 60,
  tipMm: 10,
  ageYears: 9,
  kind: parentId ? 'scaffold' : 'trunk',
  bearingDeg: 0,
  inclinationDeg: 40,
});
const finding = {
  treeId: 'a',
  limbId: 'S',
  limbName: '12 o’clock, low',
  fromCm: 120,
  toCm: 130,
  disorder: 'FB_CANK_A',
  edge: 'definite',
  growthRapid: false,
  note: 'Seen from the ladder.',
  seenAt: AT,
  withdrawn: false,
};
const action = {
  kind: 'cutMade',
  at: '2026-11-21T09:00:00.000Z',
  treeId: 'a',
  blade: 'Blade 1',
  findingIds: [FINDING],
  cut: {
    limbId: 'S',
    limbName: '12 o’clock, low',
    atCm: 80,
    kind: 'heading',
    diameterMm: 40,
    clearanceCm: 40,
    shortfallCm: 0,
    sentence: 'Cut.',
  },
};

async function firstSchema(): Promise<void> {
  const db = await PGlite.create(path.join(folder, 'db'));
  const [first] = journal.entries;
  const sql = readFileSync(new URL(`../drizzle/${first?.tag}.sql`, import.meta.url), 'utf8');
  await db.exec(sql.replaceAll('--> statement-breakpoint', ''));
  await db.exec(`create schema drizzle;
    create table drizzle.__drizzle_migrations (id serial primary key, hash text not null, created_at bigint)`);
  await db.query('insert into drizzle.__drizzle_migrations (hash, created_at) values ($1, $2)', [
    'x',
    first?.when,
  ]);
  await db.exec(`
    insert into plots values ('p', 'Lee side', '', 0);
    insert into rows values ('r', 'p', 'Wall', 400, 0);
    insert into devices values ('${DEVICE}', 'Wall crew')`);
  await db.query(
    `insert into trees values ('a', 'r', 1, 0, 'Lee 1', 'The old one', 'Plum', 'Blue Lanyard', null, 2009, 'fan on the wall',
      260, 400, true, 'Note.', '["slope"]', null, null, $1)`,
    [JSON.stringify([limb('T', null), limb('S', 'T')])],
  );
  await db.query(`insert into findings values ($1, 'a', 'closed', $2, 1, 'Wall crew', $3)`, [
    FINDING,
    JSON.stringify(finding),
    AT,
  ]);
  await db.query(`insert into actions values ($1, 'a', $2, $3, false, 'Wall crew', $2)`, [
    CUT,
    action.at,
    JSON.stringify(action),
  ]);
  for (const [id, at, value] of [
    [FINDING, AT, { kind: 'finding', finding }],
    [CUT, action.at, { kind: 'action', action }],
  ] as const)
    await db.query(
      `insert into history (at, received_at, record_id, revision, tree_id, device_id, by, value) values ($1, $1, $2, 1, 'a', $3, 'Wall crew', $4)`,
      [at, id, DEVICE, JSON.stringify(value)],
    );
  await db.close();
}

test('it starts, shows the tree with its cut and finding, and its tables say what its history says', async () => {
  await firstSchema();
  running = await start(config, log);
  const { url } = running;
  // biome-ignore lint/suspicious/noExplicitAny: looked into below
  const read = async (at: string): Promise<any> => (await fetch(url + at)).json();
  const told = await read('/api/trees/a');
  expect(told).toMatchObject({
    tree: {
      code: 'Lee 1',
      plot: 'Lee side',
      row: 'Wall',
      species: 'european-plum',
      form: 'fan',
      note: 'Note.',
    },
    limbs: [{ id: 'T' }, { id: 'S', lengthCm: 200 }],
    findings: [{ id: FINDING, state: 'closed', note: 'Seen from the ladder.', by: 'Wall crew' }],
    actions: [{ id: CUT, action: { kind: 'cutMade', cut: { atCm: 80 } }, undone: false }],
  });
  const { entries } = await read('/api/log?limit=50');
  expect(entries.map(({ entry }: { entry: { kind: string } }) => entry.kind)).toEqual(['action', 'finding']);
  expect((await read('/api/site')).revision).toBeGreaterThan(0);
  // Someone goes on with the work of then
  const written = await fetch(`${url}/api/findings/${FINDING}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'X-Device-Id': DEVICE },
    body: JSON.stringify({ baseRevision: 1, finding: { ...finding, note: 'Gone.' } }),
  });
  expect(written.status).toBe(200);
  expect((await read('/api/trees/a')).findings).toMatchObject([
    { revision: 2, note: 'Gone.', state: 'closed' },
  ]);
  await running.stop();
  running = null;
  expect(existsSync(path.join(folder, BEFORE_UPGRADE))).toBe(true);
  await withStore(config, async ({ db }) => {
    const { differences, aside } = await compareTables(db);
    expect({ differences, aside }).toEqual({ differences: [], aside: [] });
  });
  await (await openDb({ folder })).close();
});
