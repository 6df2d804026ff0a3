// Work that is done later: when it is due, that nobody does it twice, that what fails waits and holds up nothing, and what it does to photos.
import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { RemovedPhotos } from '@mortisect/contracts';
import { pino } from 'pino';
import sharp from 'sharp';
import { tasks } from '../store/schema';
import { deadOn, deviceId, NOW, newId, type Orchard, openOrchard, requestsTo } from '../testing/orchard';
import { KEPT_MS } from './keptDays';
import { putPhoto } from './photos';
import { deletePhoto, markUnshown } from './removedPhotos';
import { later, notLater, type Task, type TaskWork, waitMs, workThrough } from './tasks';

const log = pino({ level: 'silent' });
const folder = mkdtempSync(path.join(tmpdir(), 'tasks-'));
let orchard: Orchard;
const db = () => orchard.store.db;
const { put, read } = requestsTo(() => orchard);

beforeAll(async () => {
  orchard = await openOrchard('memory', { photoFolder: folder });
  await put(`/api/devices/${deviceId}`, { name: 'Wall crew' }).expect(200);
});
afterAll(async () => {
  await orchard.close();
  rmSync(folder, { recursive: true });
});
beforeEach(() => db().delete(tasks));

const waiting = () => db().select().from(tasks);
/** Does the samples; the clock of the server stands so long after the task was caused. */
const workAfter = async (
  ms: number,
  work: TaskWork['work'],
  { afterMs = 5000, from }: { afterMs?: number; from?: string } = {},
) => {
  const asked = from ?? (await waiting())[0]?.askedAt ?? new Date().toISOString();
  const at = new Date(Date.parse(asked) + ms).toISOString();
  return workThrough({ db: db(), kinds: { sample: { afterMs, work } }, log, clock: () => at });
};

test.each([
  [4999, 0],
  [5000, 1],
])('what is due after five seconds is done or not after %d ms', async (ms, done) => {
  await later(db(), 'sample', [newId()]);
  expect(await workAfter(ms, async () => {})).toBe(done);
  expect(await waiting()).toHaveLength(1 - done);
});

test('caused again it waits anew; taken back it is not done', async () => {
  const [again, gone] = [newId(), newId()];
  const before = { askedAt: '2026-01-01T00:00:00Z', value: {}, tries: 3, nextTryAt: '2999-01-01T00:00:00Z' };
  await db()
    .insert(tasks)
    .values([
      { kind: 'sample', subject: again, ...before },
      { kind: 'sample', subject: gone, ...before },
      { kind: 'photo', subject: gone, ...before },
    ]);
  await later(db(), 'sample', [again], { said: 'again' });
  await notLater(db(), 'sample', [gone]);
  const left = (await waiting()).sort((a, b) => a.kind.localeCompare(b.kind));
  expect(left).toMatchObject([
    { kind: 'photo', subject: gone, tries: 3 },
    { kind: 'sample', subject: again, tries: 0, nextTryAt: null, value: { said: 'again' } },
  ]);
  expect(Date.parse(left[1]?.askedAt as string)).toBeGreaterThan(Date.now() - 60_000);
});

test('the oldest comes first; one that fails waits and holds up no other; what it wrote is not there', async () => {
  // In another order than they are asked for
  const [other, good, bad] = [newId(), newId(), newId()] as [string, string, string];
  const at = (second: number) => `2026-01-01T00:00:0${second}Z`;
  await db()
    .insert(tasks)
    .values(
      [
        [good, 2],
        [other, 3],
        [bad, 1],
      ].map(([subject, second]) => ({
        kind: 'sample',
        subject: subject as string,
        askedAt: at(second as number),
        value: {},
      })),
    );
  const seen: string[] = [];
  const failed: string[] = [];
  const work = async (tx: Parameters<TaskWork['work']>[0], { subject }: Task) => {
    seen.push(subject);
    await later(tx, 'photo', [subject]);
    if (subject === bad) throw new Error('not today');
  };
  const clock = () => '2026-01-02T00:00:00.000Z';
  const parts = {
    db: db(),
    kinds: { sample: { afterMs: 0, work } },
    log,
    onFailed: (kind: string) => failed.push(kind),
  };
  expect(await workThrough({ ...parts, clock })).toBe(2);
  expect(seen).toEqual([bad, good, other]);
  expect(failed).toEqual(['sample']);
  const left = await waiting();
  expect(
    left
      .filter(({ kind }) => kind === 'photo')
      .map(({ subject }) => subject)
      .sort(),
  ).toEqual([good, other].sort());
  expect(left.find(({ kind }) => kind === 'sample')).toMatchObject({ subject: bad, tries: 1 });
  // Ten seconds later, and not before
  for (const [second, tried] of [
    ['09.999', 3],
    ['10.000', 4],
  ] as const) {
    await workThrough({ ...parts, clock: () => `2026-01-02T00:00:${second}Z` });
    expect(seen).toHaveLength(tried);
  }
});

test.each([
  [1, 10_000],
  [2, 40_000],
  [3, 160_000],
  [7, 40_960_000],
  [8, 86_400_000],
  [40, 86_400_000],
])('after %d failures it waits %d ms', (tries, ms) => {
  expect(waitMs(tries)).toBe(ms);
});

test('two who look at once do each thing once', async () => {
  await later(db(), 'sample', Array.from({ length: 20 }, newId));
  const seen: string[] = [];
  const work = async (_tx: unknown, { subject }: Task) => {
    seen.push(subject);
    await new Promise((resolve) => setTimeout(resolve, 1));
  };
  const done = await Promise.all([workAfter(5000, work), workAfter(5000, work)]);
  expect(done[0] + done[1]).toBe(20);
  expect(new Set(seen).size).toBe(20);
});

describe('photos', () => {
  const TREE = 'net-loft-01';
  const file = (id: string) => path.join(folder, `${id}.jpg`);
  const photo = async () => {
    const id = newId();
    const jpeg = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#445' } })
      .jpeg()
      .toBuffer();
    await putPhoto(folder, id, jpeg);
    return id;
  };
  const removed = async (): Promise<RemovedPhotos> => read('/api/removed-photos');
  /** A finding that showed the photo and does not any more. */
  const removedFromFinding = async () => {
    const [findingId, photoId] = [newId(), await photo()];
    const finding = { ...deadOn(TREE), photoIds: [photoId] };
    await put(`/api/findings/${findingId}`, { baseRevision: null, finding }).expect(200);
    expect(await waiting()).toEqual([]);
    await put(`/api/findings/${findingId}`, {
      baseRevision: 1,
      finding: { ...finding, photoIds: [] },
    }).expect(200);
    return { findingId, photoId, finding };
  };
  const workPhotos = async (ms: number) => {
    const [task] = await waiting();
    const at = new Date(Date.parse(task?.askedAt as string) + ms).toISOString();
    const work: TaskWork['work'] = (tx, { subject }) => deletePhoto(tx, folder, subject);
    return workThrough({ db: db(), kinds: { photo: { afterMs: KEPT_MS, work } }, log, clock: () => at });
  };

  test('one that is removed from its finding can be put back for thirty days', async () => {
    const { findingId, photoId, finding } = await removedFromFinding();
    expect(await removed()).toEqual({
      keptDays: 30,
      photos: [{ photoId, findingId, treeId: TREE, treeCode: 'Net loft 01', daysLeft: 30 }],
    });
    expect(await workPhotos(30 * 24 * 3600_000 - 1)).toBe(0);
    await put(`/api/findings/${findingId}`, { baseRevision: 2, finding }).expect(200);
    expect((await removed()).photos).toEqual([]);
    expect(await workPhotos(30 * 24 * 3600_000)).toBe(1);
    expect(existsSync(file(photoId))).toBe(true);
  });

  test('the last removed stands first; one whose file is gone is not offered', async () => {
    const [first, second, lost] = await Promise.all([photo(), photo(), photo()]);
    const findingId = newId();
    const finding = { ...deadOn(TREE), photoIds: [first, second, lost] };
    await put(`/api/findings/${findingId}`, { baseRevision: null, finding }).expect(200);
    for (const [i, photoIds] of [[second, lost], [lost], []].entries())
      await put(`/api/findings/${findingId}`, {
        baseRevision: 1 + i,
        finding: { ...finding, photoIds },
      }).expect(200);
    rmSync(file(lost));
    expect((await removed()).photos.map(({ photoId }) => photoId)).toEqual([second, first]);
    for (const id of [first, second]) rmSync(file(id));
  });

  test('then it is deleted for good, with what is known of it', async () => {
    const { photoId } = await removedFromFinding();
    expect(existsSync(file(photoId))).toBe(true);
    expect(await workPhotos(30 * 24 * 3600_000)).toBe(1);
    expect([file(photoId), `${file(photoId)}.sums`].filter(existsSync)).toEqual([]);
    expect((await removed()).photos).toEqual([]);
  });

  test('what an action shows stays', async () => {
    const { photoId, findingId, finding } = await removedFromFinding();
    const stood = { kind: 'stoodBack', at: NOW, treeId: TREE, cutId: newId(), photoId, note: '' };
    await put(`/api/actions/${newId()}`, stood).expect(200);
    expect((await removed()).photos).toEqual([]);
    expect(await workPhotos(KEPT_MS)).toBe(1);
    expect(existsSync(file(photoId))).toBe(true);
    expect(finding.photoIds).toEqual([photoId]);
    expect(findingId).not.toBe(photoId);
  });

  test('what nothing shows is marked when somebody looks: with its finding, where it had one; what is marked keeps its day', async () => {
    const shown = await photo();
    await put(`/api/findings/${newId()}`, {
      baseRevision: null,
      finding: { ...deadOn(TREE), photoIds: [shown] },
    }).expect(200);
    const { photoId, findingId } = await removedFromFinding();
    const stray = await photo();
    await db().delete(tasks);
    await markUnshown(db(), folder);
    const marked = new Map((await waiting()).map((task) => [task.subject, task]));
    expect(marked.get(photoId)?.value).toEqual({ findingId });
    expect(marked.get(stray)?.value).toEqual({});
    expect(marked.has(shown)).toBe(false);
    await markUnshown(db(), folder);
    expect(new Map((await waiting()).map((task) => [task.subject, task]))).toEqual(marked);
    // One that never was in a finding cannot be put back into it
    expect((await removed()).photos.map((entry) => entry.photoId)).toEqual([photoId]);
  });

  test('a folder that holds other things, or none at all, is no fault', async () => {
    mkdirSync(path.join(folder, 'strange'), { recursive: true });
    writeFileSync(path.join(folder, 'note.txt'), 'x');
    await markUnshown(db(), folder);
    expect((await waiting()).every(({ subject }) => existsSync(file(subject)))).toBe(true);
    await db().delete(tasks);
    await markUnshown(db(), path.join(folder, 'not there'));
    expect(await waiting()).toEqual([]);
  });
});
