// Records: sent twice they count once, an edit on an older revision is refused with both versions, history only grows.
import { routes } from '@mortisect/contracts';
import { FindingBody } from '@mortisect/core/records';
import { eq, sql } from 'drizzle-orm';
import request from 'supertest';
import { history } from '../store/schema';
import {
  deviceId,
  freshServerDatabase,
  newId,
  type Orchard,
  openOrchard,
  requestsTo,
} from '../testing/orchard';
import { moment } from './moment';
import { compareTables } from './rebuild';

const serverUrl = process.env.TEST_DATABASE_URL;
if (!serverUrl)
  console.warn(
    'Skipped: the same tests on a PostgreSQL server. Name one with TEST_DATABASE_URL to run them.',
  );

const places = [
  ['embedded', describe],
  ['PostgreSQL server', serverUrl ? describe : describe.skip],
] as const;

for (const [kind, run] of places) run(kind, () => records(kind));

function records(kind: (typeof places)[number][0]): void {
  let orchard: Orchard;
  beforeAll(async () => {
    orchard = await openOrchard(
      kind === 'embedded' ? 'memory' : { url: await freshServerDatabase(serverUrl as string) },
    );
    await put(`/api/devices/${deviceId}`, { name: 'Wall crew' }).expect(200);
  });
  afterAll(() => orchard.close());

  const { put, read: get } = requestsTo(() => orchard);
  const newest = async () => (await get('/api/log?limit=1')).entries[0];

  const canker = FindingBody.parse({
    treeId: 'lee-wall-07',
    limbId: 'C',
    limbName: '4 o’clock, low',
    fromCm: 70,
    toCm: 82,
    disorder: 'FB_CANK_A',
    edge: 'definite',
    growthRapid: false,
    note: '',
    seenAt: '2026-11-24T09:00:00.000Z',
    withdrawn: false,
  });
  const save = (id: string, baseRevision: number | null, finding: FindingBody) =>
    put(`/api/findings/${id}`, { baseRevision, finding });
  const cutMade = (findingId: string) => ({
    kind: 'cutMade',
    at: '2026-11-24T09:30:00.000Z',
    treeId: canker.treeId,
    blade: 'Blade 1',
    findingIds: [findingId],
    cut: {
      limbId: 'C',
      limbName: canker.limbName,
      atCm: 0,
      kind: 'collar',
      diameterMm: 24,
      clearanceCm: 30,
      shortfallCm: 0,
      sentence: 'Cut.',
    },
  });
  const stateOf = async (id: string) =>
    (await get(`/api/trees/${canker.treeId}`)).findings.find((finding: { id: string }) => finding.id === id)
      ?.state;

  describe('a slow line: answers lost, writes that come twice, and late', () => {
    const TREE = 'slip-side-01';
    const bodyOf = async () => {
      const { tree } = await get(`/api/trees/${TREE}`);
      const { id, plotId, rowId, revision, by, receivedAt, openFindings, lastSeenAt, ...body } = tree;
      return { body, revision };
    };
    const job = { treeId: TREE, job: 'guard', dueOn: '2026-11-30', note: '', doneAt: null, withdrawn: false };

    /** Each kind of record: where it is written, its two versions, and what stands of it. */
    const kinds: Record<
      string,
      () => Promise<{
        path: string;
        from: number | null;
        first: object;
        second: object;
        read(): Promise<unknown>;
      }>
    > = {
      'a finding': async () => {
        const id = newId();
        const finding = { ...canker, treeId: canker.treeId };
        return {
          path: `/api/findings/${id}`,
          from: null,
          first: { finding: { ...finding, note: 'first' } },
          second: { finding: { ...finding, note: 'second' } },
          read: async () =>
            (await get(`/api/trees/${canker.treeId}`)).findings.find(
              (finding: { id: string }) => finding.id === id,
            )?.note,
        };
      },
      'a job': async () => {
        const id = newId();
        return {
          path: `/api/jobs/${id}`,
          from: null,
          first: { job: { ...job, note: 'first' } },
          second: { job: { ...job, note: 'second' } },
          read: async () => (await get('/api/jobs')).jobs.find((job: { id: string }) => job.id === id)?.note,
        };
      },
      'a tree': async () => {
        const { body, revision } = await bodyOf();
        return {
          path: `/api/trees/${TREE}`,
          from: revision,
          first: { tree: { ...body, note: 'first' } },
          second: { tree: { ...body, note: 'second' } },
          read: async () => (await get(`/api/trees/${TREE}`)).tree.note,
        };
      },
      'a limb map': async () => {
        const { limbs, limbsRevision } = await get(`/api/trees/${TREE}`);
        const withStem = (lengthCm: number) => ({
          surveyedAt: '2026-11-24T09:00:00.000Z',
          limbs: limbs.map((limb: { kind: string }) =>
            limb.kind === 'trunk' ? { ...limb, lengthCm } : limb,
          ),
        });
        return {
          path: `/api/trees/${TREE}/limbs`,
          from: limbsRevision,
          first: withStem(777),
          second: withStem(888),
          read: async () =>
            (await get(`/api/trees/${TREE}`)).limbs.find((limb: { kind: string }) => limb.kind === 'trunk')
              ?.lengthCm,
        };
      },
    };

    test.each(Object.keys(kinds))(
      '%s: the second write stands, whatever comes late of the first',
      async (kind) => {
        const { path, from, first, second, read } = await (kinds[kind] as (typeof kinds)[string])();
        const before = await read();
        const revision = (from ?? 0) + 1;
        await put(path, { baseRevision: from, ...first }).expect(200);
        // Its answer was lost: sent again it counts once
        await put(path, { baseRevision: from, ...first }).expect(200);
        const stood = await read();
        expect(stood).not.toEqual(before);
        await put(path, { baseRevision: revision, ...second }).expect(200);
        const now = await read();
        expect(now).not.toEqual(stood);
        // The first once more, late; and the second once more
        const late = await put(path, { baseRevision: from, ...first });
        expect(late.status).toBe(409);
        await put(path, { baseRevision: revision, ...second }).expect(200);
        expect(await read()).toEqual(now);
      },
    );

    test('an action: one id is one action, whatever is sent under it, and however often', async () => {
      const id = newId();
      const action = { kind: 'roundPaused', at: '2026-11-24T09:00:00.000Z' };
      await put(`/api/actions/${id}`, action).expect(200);
      await put(`/api/actions/${id}`, action).expect(200);
      await put(`/api/actions/${id}`, { ...action, kind: 'roundResumed' }).expect(409);
      const { actions } = await get('/api/round');
      expect(actions.filter((action: { id: string }) => action.id === id)).toMatchObject([{ action }]);
    });
  });

  test('a finding sent twice counts once and carries its person', async () => {
    const id = newId();
    const first = await save(id, null, canker).expect(200);
    expect(first.body).toMatchObject({ id, state: 'open', revision: 1, by: 'Wall crew' });
    const { seq } = await newest();
    const again = await save(id, null, canker).expect(200);
    expect(again.body).toEqual(first.body);
    expect((await newest()).seq).toBe(seq);
  });

  test('two that send the same finding at once make one record', async () => {
    const id = newId();
    const answers = await Promise.all([
      save(id, null, canker),
      save(id, null, canker),
      save(id, null, canker),
    ]);
    const good = answers.filter((answer) => answer.status === 200);
    expect(good.length).toBeGreaterThanOrEqual(1);
    expect(answers.every((answer) => answer.status === 200 || answer.status === 409)).toBe(true);
    expect((await save(id, null, canker).expect(200)).body.revision).toBe(1);
  });

  test('an edit on an older revision is refused with both versions; nothing is overwritten', async () => {
    const id = newId();
    await save(id, null, canker).expect(200);
    await save(id, 1, { ...canker, toCm: 90 }).expect(200);
    const refused = await save(id, 1, { ...canker, toCm: 75 }).expect(409);
    expect(refused.body).toMatchObject({ yours: { toCm: 75 }, theirs: { toCm: 90, revision: 2 } });
    expect((await save(id, 2, { ...canker, toCm: 75 }).expect(200)).body).toMatchObject({
      toCm: 75,
      revision: 3,
    });
    const history = (await get('/api/log?limit=3')).entries.map(
      ({ entry }: { entry: { finding: FindingBody } }) => entry.finding.toCm,
    );
    expect(history).toEqual([75, 90, 82]);
  });

  test.each<[string, Partial<FindingBody>, string]>([
    ['on no tree', { treeId: 'none' }, 'finding.treeId'],
    ['on no limb', { limbId: 'ZZ' }, 'finding.limbId'],
    ['beyond the end of its limb', { toCm: 500 }, 'finding.toCm'],
  ])('a finding %s does not fit', async (_, part, path) => {
    const refused = await save(newId(), null, { ...canker, ...part }).expect(422);
    expect(refused.body.errors).toMatchObject([{ path }]);
  });

  test('a finding that ends before it begins is not understood', async () => {
    const refused = await save(newId(), null, { ...canker, fromCm: 90 }).expect(400);
    expect(refused.body.errors).toMatchObject([{ path: 'finding.fromCm' }]);
  });

  test('a cut closes its finding once, an undo opens it again, the log keeps both', async () => {
    const id = newId();
    const cutId = newId();
    await save(id, null, canker).expect(200);
    await put(`/api/actions/${cutId}`, cutMade(id)).expect(200);
    const { seq } = await newest();
    await put(`/api/actions/${cutId}`, cutMade(id)).expect(200);
    expect((await newest()).seq).toBe(seq);
    expect(await stateOf(id)).toBe('closed');
    await put(`/api/actions/${newId()}`, {
      kind: 'undone',
      at: '2026-11-24T09:31:00.000Z',
      actionId: cutId,
    }).expect(200);
    expect(await stateOf(id)).toBe('open');
    const entries = (await get('/api/log?limit=2')).entries;
    expect(
      entries.map(({ entry }: { entry: { action: { kind: string }; undone: boolean } }) => [
        entry.action.kind,
        entry.undone,
      ]),
    ).toEqual([
      ['undone', false],
      ['cutMade', true],
    ]);
  });

  test('an action with the same id and other content is refused', async () => {
    const id = newId();
    const cutId = newId();
    await save(id, null, canker).expect(200);
    await put(`/api/actions/${cutId}`, cutMade(id)).expect(200);
    const other = { ...cutMade(id), blade: 'Blade 2' };
    expect((await put(`/api/actions/${cutId}`, other).expect(409)).body).toMatchObject({
      yours: { blade: 'Blade 2' },
      theirs: { id: cutId },
    });
  });

  test('a time that no database can keep is refused with its path; one that was let in before takes nothing else with it', async () => {
    const seen = (at: string) => ({
      kind: 'treeSeen',
      at,
      treeId: canker.treeId,
      seen: 'all round',
      verdict: 'found',
    });
    const { body } = await put(`/api/actions/${newId()}`, seen('0001-01-01T00:00:00+14:00')).expect(400);
    expect(JSON.stringify(body)).toContain('1900 to 2199');
    const id = newId();
    await put(`/api/actions/${id}`, seen('2026-11-24T09:40:00.000Z')).expect(200);
    const damaged = sql`'0001-12-31 10:00:00+00 BC'::timestamptz`;
    const value = sql`jsonb_set(value, '{at}', '"0001-01-01T00:00:00+14:00"')`;
    const line = sql`jsonb_set(value, '{action,at}', '"0001-01-01T00:00:00+14:00"')`;
    await orchard.store.db.execute(
      sql`update actions set at = ${damaged}, value = ${value} where id = ${id}`,
    );
    await orchard.store.db.execute(
      sql`update history set at = ${damaged}, value = ${line} where record_id = ${id}`,
    );
    for (const [name, route, path] of [
      ['tree', routes.getTree, `/api/trees/${canker.treeId}`],
      ['log', routes.getLog, '/api/log?limit=200'],
      ['round', routes.getRound, '/api/round'],
      ['trees', routes.getTrees, '/api/trees'],
    ] as const)
      expect([name, route.response.safeParse(await get(path)).success]).toEqual([name, true]);
    const { entries } = await get('/api/log?limit=200');
    const entry = entries.find(({ entry: item }: { entry: { recordId?: string } }) => item.recordId === id);
    expect(entry).toMatchObject({ at: '1900-01-01T00:00:00.000Z' });
    expect((await request(orchard.app).get('/api/archive.ndjson').set('Host', '127.0.0.1')).status).toBe(200);
    await orchard.store.db.execute(sql`delete from actions where id = ${id}`);
    await orchard.store.db.execute(sql`delete from history where record_id = ${id}`);
  });

  const onServer = kind === 'embedded' ? test.skip : test;
  onServer(
    'a database that drops its connections ends no process: the next request is answered again',
    async () => {
      await orchard.store.db
        .execute(
          sql`select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database()`,
        )
        .catch(() => undefined);
      const answers: number[] = [];
      for (let tries = 0; tries < 20 && answers.at(-1) !== 200; tries++)
        answers.push((await request(orchard.app).get('/api/site').set('Host', '127.0.0.1')).status);
      expect(answers.at(-1)).toBe(200);
      expect(answers.filter((status) => status !== 200 && status !== 503)).toEqual([]);
    },
  );

  test('the site is edited on its revision', async () => {
    const { site, revision } = await get('/api/site');
    await put('/api/site', { baseRevision: revision, site: { ...site, units: 'us' } }).expect(200);
    const refused = await put('/api/site', {
      baseRevision: revision,
      site: { ...site, name: 'Elsewhere' },
    }).expect(409);
    expect(refused.body).toMatchObject({
      yours: { name: 'Elsewhere' },
      theirs: { site: { units: 'us' }, revision: revision + 1 },
    });
    await put('/api/site', {
      baseRevision: revision + 1,
      site: { ...site, timeZone: 'Nowhere/Town' },
    }).expect(400);
  });

  test('the log pages without a gap', async () => {
    const all = (await get('/api/log?limit=200')).entries.map((entry: { seq: number }) => entry.seq);
    const first = await get('/api/log?limit=4');
    const second = await get(`/api/log?limit=4&before=${first.entries[3].seq}`);
    expect([...first.entries, ...second.entries].map((entry) => entry.seq)).toEqual(all.slice(0, 8));
  });

  test('the log of one tree is all that the log has of it, in the same order; of none it is empty', async () => {
    const { entries } = await get('/api/log?limit=200');
    const treeId = entries.find((entry: { treeId: string | null }) => entry.treeId)?.treeId;
    const own = entries.filter((entry: { treeId: string | null }) => entry.treeId === treeId);
    const told = await get(`/api/log?limit=${own.length}&tree=${treeId}`);
    expect(told.entries).toEqual(own);
    const [newest, ...older] = own;
    const before = await get(`/api/log?limit=${older.length}&tree=${treeId}&before=${newest.seq}`);
    expect(before.entries).toEqual(older);
    expect(await get('/api/log?tree=no-such-tree')).toEqual({ entries: [], more: false });
  });

  test('what a phone says that is days ahead happened when the server had word of it; its own word stays on record', async () => {
    const id = newId();
    const said = { kind: 'roundPaused', at: '2026-12-03T09:00:00.000Z' };
    const taken = await put(`/api/actions/${id}`, said).expect(200);
    expect(taken.body.action).toEqual({ ...said, at: taken.body.receivedAt });
    // Sent again it is the same
    expect((await put(`/api/actions/${id}`, said).expect(200)).body).toEqual(taken.body);
    const ofPhone = await put(`/api/findings/${newId()}`, {
      baseRevision: null,
      finding: { ...canker, seenAt: said.at },
    }).expect(200);
    expect(ofPhone.body.seenAt).toBe(ofPhone.body.receivedAt);
    const { limbs, limbsRevision } = await get('/api/trees/lee-wall-09');
    const drawn = await put('/api/trees/lee-wall-09/limbs', {
      baseRevision: limbsRevision,
      surveyedAt: said.at,
      limbs: limbs.map((limb: { lengthCm: number }) => ({ ...limb, lengthCm: limb.lengthCm + 1 })),
    }).expect(200);
    expect(Date.parse(drawn.body.surveyedAt)).toBeLessThan(Date.parse(said.at));
    const { db } = orchard.store;
    const [line] = await db.select().from(history).where(eq(history.recordId, id));
    expect(line).toMatchObject({ value: { action: said } });
    expect(moment(line?.at ?? '')).toBe(taken.body.receivedAt);
    expect((await compareTables(db)).differences).toEqual([]);
  });
}
