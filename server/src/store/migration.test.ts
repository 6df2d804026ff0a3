// An orchard kept by the first version goes on with this one: nothing it knew is lost.
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { TreeBody } from '@mortisect/core/records';
import { sql } from 'drizzle-orm';
import { BEFORE_UPGRADE, openDb } from './openDb';

const sqlOf = (name: string) =>
  readFileSync(new URL(`../../drizzle/${name}.sql`, import.meta.url), 'utf8').replaceAll(
    '--> statement-breakpoint',
    '',
  );

test('trees, their words for forms and species, and what was done come over', async () => {
  const db = new PGlite();
  await db.exec(sqlOf('0000_first'));
  await db.exec(`
    insert into plots values ('p', 'Plot', '', 0);
    insert into rows values ('r', 'p', 'Row', 400, 0);
    insert into trees values
      ('a', 'r', 1, 0, 'A', 'The old one', 'Plum', 'Blue Lanyard', null, 2009, 'fan on the wall', 260, 400, true, 'Note.', '["slope"]', 54.2, -10.4, '[]'),
      ('b', 'r', 2, 1, 'B', null, 'Sweet cherry', null, 'half-standard', null, 'multi-stem, wild', 500, 420, false, '', '[]', null, null, '[]');
    insert into actions values
      ('0193f000-0000-7000-8000-000000000001', 'a', now(), '{"kind":"cutMade","treeId":"a"}', false, 'Wall crew', now());
  `);
  await db.exec(sqlOf('0001_register_a'));
  await db.exec(sqlOf('0002_register_b'));
  const { rows } = await db.query<{
    id: string;
    value: object;
    code: string;
    place: number;
    surveyed_at: Date;
  }>('select * from trees order by id');
  const trees = rows.map(({ value, code, place }) =>
    TreeBody.parse({ ...value, code, place, plot: 'Plot', row: 'Row' }),
  );
  expect(trees).toMatchObject([
    {
      nickname: 'The old one',
      species: 'european-plum',
      cultivar: 'Blue Lanyard',
      form: 'fan',
      plantedYear: 2009,
      heightCm: 260,
      susceptible: true,
      hazards: ['slope'],
      note: 'Note.',
      latitude: 54.2,
      longitude: -10.4,
    },
    { species: 'sweet-cherry', form: 'wild', rootstock: 'half-standard', plantedYear: null, latitude: null },
  ]);
  // Every cut on record was made after the survey: it is still taken off the map
  expect(rows[0]?.surveyed_at.getTime()).toBeLessThan(Date.parse('2001-01-01'));
  const { rows: kinds } = await db.query('select kind from actions');
  expect(kinds).toEqual([{ kind: 'cutMade' }]);
  // From here on every record names its orchard
  await db.exec(sqlOf('0003_weather'));
  await db.exec(`insert into weather_hours values ('observed', 1, 5, null, null, null, null, 'x', now())`);
  await db.exec(sqlOf('0004_orchard'));
  await db.exec(
    `insert into weather_hours (kind, hour, source, received_at) values ('observed', 2, 'x', now())`,
  );
  const { rows: orchards } = await db.query<{ id: string }>('select id from orchards');
  expect(orchards).toHaveLength(1);
  for (const table of ['plots', 'rows', 'trees', 'actions', 'weather_hours']) {
    const { rows: named } = await db.query<{ orchard_id: string }>(`select orchard_id from ${table}`);
    expect(named.length).toBeGreaterThan(0);
    for (const { orchard_id } of named) expect(orchard_id).toBe(orchards[0]?.id);
  }
  // Names are told apart without capitals from here on; what stands doubled already stays
  await db.exec(`insert into plots (id, name, note, position) values ('q', 'PLOT', '', 1)`);
  for (const name of ['0005_kept_plans', '0006_sessions', '0007_told_apart']) await db.exec(sqlOf(name));
  const { rows: indexes } = await db.query<{ indexname: string; indexdef: string }>(
    `select indexname, indexdef from pg_indexes where indexname in ('trees_code', 'plots_name', 'rows_name') order by 1`,
  );
  expect(indexes.map(({ indexname }) => indexname)).toEqual(['rows_name', 'trees_code']);
  expect(indexes.every(({ indexdef }) => /unique.*lower\(/i.test(indexdef))).toBe(true);
  await expect(
    db.exec(`insert into trees (id, row_id, place, code, value, revision, by, received_at, limbs, limbs_revision, surveyed_at)
      select 'c', row_id, 3, 'a', value, 1, by, now(), limbs, 1, now() from trees where id = 'a'`),
  ).rejects.toThrow(/trees_code/);
  await db.close();
});

test('before a kept database is brought to another schema a copy of it is laid beside it, and the last one stays', async () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'upgrade-'));
  const copy = path.join(folder, BEFORE_UPGRADE);
  try {
    const fresh = await openDb({ folder });
    expect(existsSync(copy)).toBe(false);
    await fresh.db.execute(
      sql`insert into devices (id, name) values ('0193f000-0000-7000-8000-0000000000aa', 'Wall crew')`,
    );
    // As if the last three steps had not been made yet
    for (const step of [
      sql`drop index plots_name`,
      sql`drop index rows_name`,
      sql`drop table tasks`,
      sql`drop index trees_code`,
      sql`create unique index trees_code on trees (orchard_id, lower(code))`,
      sql`alter table samples add column taken_at timestamptz, add column answered boolean`,
      sql`alter table rows drop column revision`,
      sql`delete from drizzle.__drizzle_migrations where created_at in (select created_at from drizzle.__drizzle_migrations order by created_at desc limit 3)`,
    ])
      await fresh.db.execute(step);
    await fresh.close();
    await (await openDb({ folder })).close();
    const before = await PGlite.create({ loadDataDir: new Blob([readFileSync(copy)]) });
    const { rows } = await before.query(`select name from devices`);
    expect(rows).toEqual([{ name: 'Wall crew' }]);
    const { rows: indexes } = await before.query(`select 1 from pg_indexes where indexname = 'plots_name'`);
    expect(indexes).toEqual([]);
    const { rows: columns } = await before.query(
      `select 1 from information_schema.columns where table_name = 'rows' and column_name = 'revision'`,
    );
    expect(columns).toEqual([]);
    await before.close();
    const { mtimeMs } = statSync(copy);
    await (await openDb({ folder })).close();
    expect(statSync(copy).mtimeMs).toBe(mtimeMs);
  } finally {
    rmSync(folder, { recursive: true });
  }
});

test('of the samples that were sent, those that wait for an answer still do', async () => {
  const db = new PGlite();
  const steps = readdirSync(new URL('../../drizzle', import.meta.url)).filter((name) =>
    /^\d.*\.sql$/.test(name),
  );
  for (const step of steps.sort()) {
    if (step === '0008_later.sql')
      await db.exec(`
        set session_replication_role = replica;
        insert into samples (id, finding_id, label, truth, taken_at, answered)
        select ('0193f000-0000-7000-8000-00000000000' || n)::uuid, '0193f000-0000-7000-8000-0000000000ff', 'S', 'NEO', ('2026-11-2' || n)::timestamptz, n = 1
        from generate_series(1, 3) n;`);
    await db.exec(sqlOf(step.slice(0, -'.sql'.length)));
  }
  const { rows } = await db.query<{ subject: string; day: string }>(
    "select kind, subject, to_char(asked_at, 'YYYY-MM-DD') as day, tries from tasks order by subject",
  );
  expect(rows).toEqual(
    [2, 3].map((n) => ({
      kind: 'sample',
      subject: `0193f000-0000-7000-8000-00000000000${n}`,
      day: `2026-11-2${n}`,
      tries: 0,
    })),
  );
  await db.close();
});
