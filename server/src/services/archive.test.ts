// A whole orchard out and in: byte for byte the same in its own export, and nothing where something is wrong.
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { ArchiveReport } from '@mortisect/contracts';
import { FindingBody } from '@mortisect/core/records';
import { count, sql } from 'drizzle-orm';
import sharp from 'sharp';
import request from 'supertest';
import { actions, history, samples, trees, weatherHours } from '../store/schema';
import {
  answerSamples,
  deviceId,
  NOW,
  newId,
  type Orchard,
  openEmpty,
  openOrchard,
} from '../testing/orchard';
import { compareTables } from './rebuild';

const folders: string[] = [];
const folder = () => {
  const made = mkdtempSync(path.join(tmpdir(), 'photos-'));
  folders.push(made);
  return made;
};
const open: Orchard[] = [];
const keep = async (opening: Promise<Orchard>) => {
  const orchard = await opening;
  open.push(orchard);
  return orchard;
};
afterAll(async () => {
  for (const orchard of open) await orchard.close();
  for (const made of folders) rmSync(made, { recursive: true });
});

const as = (orchard: Orchard, method: 'put' | 'post', url: string) =>
  request(orchard.app)[method](url).set('Host', '127.0.0.1').set('X-Device-Id', deviceId);
const exported = async (orchard: Orchard): Promise<string> =>
  (await request(orchard.app).get('/api/archive.ndjson').set('Host', '127.0.0.1').buffer().expect(200)).text;
const imported = (orchard: Orchard, text: string) =>
  as(orchard, 'post', '/api/archive').set('Content-Type', 'application/x-ndjson').send(text);
const said = (orchard: Orchard, name = 'Boat crew') =>
  as(orchard, 'put', `/api/devices/${deviceId}`).send({ name }).expect(200);

let source: Orchard;
let sourcePhotos: string;
let text: string;
const TREE = 'slip-side-02';
const photoId = newId();
const sampleId = newId();
/** Lines of a kind that is not known, of a tree that is gone, and of an action that has its line already. */
const ODD = 900_000;

beforeAll(async () => {
  sourcePhotos = folder();
  source = await keep(openOrchard('memory', { photoFolder: sourcePhotos }));
  await said(source, 'Wall crew');
  const act = (action: object, id = newId()) =>
    as(source, 'put', `/api/actions/${id}`)
      .send({ at: NOW, ...action })
      .expect(200);
  const picture = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#664' } })
    .jpeg()
    .toBuffer();
  await as(source, 'put', `/api/photos/${photoId}`)
    .set('Content-Type', 'image/jpeg')
    .send(picture)
    .expect(200);
  const finding = FindingBody.parse({
    treeId: TREE,
    limbId: 'A',
    limbName: 'A',
    fromCm: 20,
    toCm: 40,
    disorder: 'FB_CANK_A',
    edge: 'definite',
    growthRapid: false,
    photoIds: [photoId],
    note: 'Wet — “ooze”.',
    seenAt: NOW,
    withdrawn: false,
  });
  const findingId = newId();
  await as(source, 'put', `/api/findings/${findingId}`).send({ baseRevision: null, finding }).expect(200);
  await act({ kind: 'sampleSent', treeId: TREE, findingId, label: 'S-1' }, sampleId);
  const pin = newId();
  await act({ kind: 'planPinned', treeId: TREE, pin: { kind: 'stays', limbId: 'A' } }, pin);
  await act({ kind: 'undone', actionId: pin });
  const csv = 'time,temperature\n2026-11-20T10:00:00Z,7.5\n2026-11-20T11:00:00Z,8.25\n';
  for (const given of [csv, csv.replace('8.25', '9')])
    await as(
      source,
      'post',
      '/api/weather/import?format=csv&take=good&kind=observed&zone=UTC&differing=replace',
    )
      .set('Content-Type', 'text/csv')
      .send(given)
      .expect(200);
  const [action] = await source.store.db
    .select()
    .from(history)
    .where(sql`value->>'kind' = 'action'`)
    .limit(1);
  if (!action) throw new Error('Nothing was done in the demo.');
  await source.store.db.insert(history).values([
    { ...action, seq: ODD, value: { of: ['plums'], kind: 'dreamt' } as never },
    { ...action, seq: ODD + 1, recordId: newId(), treeId: 'felled' },
    { ...action, seq: ODD + 2 },
  ]);
  text = await exported(source);
});

/** The orchard as the first version wrote it down. */
async function firstVersion() {
  const get = async (url: string) => (await request(source.app).get(url).set('Host', '127.0.0.1')).body;
  const { plots, rows, trees: list } = await get('/api/trees');
  const details = await Promise.all(list.map(({ id }: { id: string }) => get(`/api/trees/${id}`)));
  const { site } = await get('/api/site');
  return {
    kind: 'mortisect archive',
    version: 1,
    writtenAt: NOW,
    site,
    plots,
    rows,
    trees: details.map(({ tree, ...rest }) => {
      const { id, plotId, rowId, revision, by, receivedAt, openFindings, lastSeenAt, ...body } = tree;
      return { id, tree: body, ...rest };
    }),
  };
}

/** The archive with some of its lines changed, and its last line counting what is there. */
function changed(change: (lines: Record<string, unknown>[]) => Record<string, unknown>[]): string {
  const lines = change(
    text
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line)),
  );
  return `${lines.map((line) => JSON.stringify(line.is === 'end' ? { ...line, lines: lines.length - 2 } : line)).join('\n')}\n`;
}

test('an empty server after import is equal to its source: by bytes, by tables, by photos', async () => {
  const photoFolder = folder();
  const target = await keep(openEmpty({ photoFolder }));
  await said(target);
  const { body } = (await imported(target, text).expect(200)) as { body: ArchiveReport };
  expect(await exported(target)).toBe(text);
  expect(await exported(source)).toBe(text);
  const rows = async (
    of: Orchard,
    table: typeof trees | typeof history | typeof weatherHours | typeof actions,
  ) => (await of.store.db.select({ n: count() }).from(table))[0]?.n;
  expect(body).toMatchObject({
    lines: await rows(source, history),
    trees: await rows(source, trees),
    actions: await rows(source, actions),
    hours: await rows(source, weatherHours),
    photos: 1,
    aside: [
      { seq: ODD, why: expect.stringContaining('“dreamt”') },
      { seq: ODD + 1, why: expect.stringContaining('felled') },
    ],
  });
  expect((await compareTables(target.store.db)).differences).toEqual([]);
  expect(readdirSync(photoFolder)).toEqual(readdirSync(sourcePhotos));
  expect(readFileSync(path.join(photoFolder, `${photoId}.jpg`))).toEqual(
    readFileSync(path.join(sourcePhotos, `${photoId}.jpg`)),
  );
  for (const url of [
    '/api/trees',
    '/api/open-work',
    '/api/log?limit=200',
    '/api/run',
    '/api/round',
    '/api/site',
  ]) {
    const [here, there] = await Promise.all(
      [source, target].map(async ({ app }) => (await request(app).get(url).set('Host', '127.0.0.1')).body),
    );
    expect(there).toEqual(here);
  }
  // What comes next is written after what came in, and the clinic answers what waits
  const before = (await target.store.db.select().from(history)).map(({ seq }) => seq);
  const next = { kind: 'planPinned', at: NOW, treeId: TREE, pin: { kind: 'stays', limbId: 'A' } };
  await as(target, 'put', `/api/actions/${newId()}`).send(next).expect(200);
  const added = (await target.store.db.select().from(history)).filter(({ seq }) => !before.includes(seq));
  expect(added.map(({ seq }) => seq)).toEqual([Math.max(...before) + 1]);
  expect(await target.store.db.select().from(samples)).toMatchObject([{ id: sampleId }]);
  expect(await answerSamples(target.store.db)).toBe(1);
  expect((await compareTables(target.store.db)).differences).toEqual([]);
});

test('every line names its orchard, and the last says how many there are', () => {
  const lines = text
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line));
  expect(new Set(lines.map(({ orchardId }) => orchardId)).size).toBe(1);
  expect(lines.at(-1)).toMatchObject({ is: 'end', lines: lines.length - 2 });
  expect(new Set(lines.map(({ is }) => is))).toEqual(
    new Set(['archive', 'device', 'history', 'hour', 'hour before', 'photo', 'end']),
  );
});

describe('refused, with nothing changed', () => {
  let target: Orchard;
  let photoFolder: string;
  beforeAll(async () => {
    photoFolder = folder();
    target = await keep(openEmpty({ photoFolder }));
    await said(target);
  });

  test.each<[string, () => string, number, RegExp]>([
    ['an empty file', () => '\n', 422, /empty/],
    ['no JSON', () => 'trees\n', 422, /Line 1: this is not JSON/],
    ['no archive', () => '{"is":"end"}\n', 422, /Line 1/],
    ['another JSON file', () => '{"type":"FeatureCollection"}\n', 422, /Line 1/],
    [
      'cut off after a line',
      () => `${text.split('\n').slice(0, 40).join('\n')}\n`,
      422,
      /Line 40: .*cut off/,
    ],
    ['cut off in a line', () => text.slice(0, text.length / 2), 422, /not JSON/],
    ['a line missing', () => text.split('\n').toSpliced(20, 1).join('\n'), 422, /some are missing/],
    ['something after the end', () => `${text}${text.split('\n')[1]}\n`, 422, /follows the end/],
    [
      'a later version',
      () => text.replace('"version":2', '"version":3'),
      422,
      /Line 1: version: .*later version/,
    ],
    [
      'two heads',
      () => changed(([head, ...rest]) => [head, head, ...rest] as never),
      422,
      /Line 2: a second archive/,
    ],
    [
      'a line of another orchard',
      () =>
        changed((lines) => lines.with(5, { ...lines[5], orchardId: '00000000-0000-4000-8000-000000000000' })),
      422,
      /Line 6: orchardId/,
    ],
    [
      'a field that is wrong',
      () => changed((lines) => lines.with(7, { ...lines[7], revision: 0 })),
      422,
      /Line 8: revision/,
    ],
    [
      'a limb map of more limbs than are computed',
      () =>
        changed((lines) =>
          lines.map((line) =>
            (line.value as { kind?: string } | undefined)?.kind === 'limbs'
              ? { ...line, value: { kind: 'limbs', limbs: Array(2001).fill({}) } }
              : line,
          ),
        ),
      422,
      /Line \d+: value\.limbs: 2,001 limbs are more than the 2,000 of a tree/,
    ],
    [
      'a photo that is none',
      () => changed((lines) => lines.map((line) => (line.is === 'photo' ? { ...line, jpeg: 'AAAA' } : line))),
      422,
      /no JPEG/,
    ],
    [
      'two trees of one code',
      () =>
        changed((lines) => {
          const tree = lines.find((line) => (line.value as { kind?: string } | undefined)?.kind === 'tree');
          const map = lines.find(
            (line) =>
              line.recordId === tree?.recordId &&
              (line.value as { kind?: string } | undefined)?.kind === 'limbs',
          );
          const twin = [tree, map].map((line, i) => ({
            ...line,
            recordId: 'twin',
            treeId: 'twin',
            seq: 900_000 + i,
          }));
          return [...lines.slice(0, -1), ...twin, ...lines.slice(-1)] as never;
        }),
      422,
      /do not fit together/,
    ],
  ])('%s', async (_, given, status, words) => {
    const before = await exported(target);
    const { body } = await imported(target, given()).expect(status);
    expect(body.detail).toMatch(words);
    expect(await exported(target)).toBe(before);
    expect(existsSync(photoFolder) ? readdirSync(photoFolder) : []).toEqual([]);
  });

  test('where an orchard stands', async () => {
    const { body } = await imported(source, text).expect(409);
    expect(body.detail).toMatch(/\d+ trees, \d+ entries of the log and 2 hours of weather/);
    expect(await exported(source)).toBe(text);
  });

  test('a field of the first version that is wrong', async () => {
    const first = await firstVersion();
    const { body } = await imported(target, JSON.stringify({ ...first, trees: [{ id: 'a' }] })).expect(422);
    expect(body.detail).toMatch(/^trees\.0\./);
  });

  test('after all of that a good one comes in: of the first version, with its findings and its log', async () => {
    const first = await firstVersion();
    const bare = await exported(target);
    expect(bare.trim().split('\n')).toHaveLength(3);
    const { body } = (await imported(target, JSON.stringify(first)).expect(200)) as { body: ArchiveReport };
    expect(body).toMatchObject({ trees: first.trees.length, aside: [] });
    const known = async ({ app }: Orchard) => {
      const work = (await request(app).get('/api/open-work').set('Host', '127.0.0.1')).body;
      return work.trees.map((tree: { tree: { code: string }; findings: unknown; limbs: unknown }) => [
        tree.tree.code,
        tree.findings,
        tree.limbs,
      ]);
    };
    expect(await known(target)).toEqual(await known(source));
    // An orchard without trees goes out and in as well
    const other = await keep(openEmpty());
    await said(other);
    await imported(other, bare).expect(200);
    expect(await exported(other)).toBe(bare);
  });
});
