// Who listens is told at once how far the history has come, and again when somebody else has written; and reads only what changed.
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { OpenWorkChanges } from '@mortisect/core/present';
import { FindingBody } from '@mortisect/core/records';
import request from 'supertest';
import { plans } from '../store/schema';
import { deadOn, deviceId, newId, type Orchard, openOrchard, requestsTo } from '../testing/orchard';
import { makeChanges } from './changes';

let orchard: Orchard;
let server: Server;
beforeAll(async () => {
  orchard = await openOrchard();
  server = createServer(orchard.app).listen(0, '127.0.0.1');
  await put(`/api/devices/${deviceId}`, { name: 'Wall crew' }).expect(200);
});
afterAll(async () => {
  await orchard.close();
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
});

const { put } = requestsTo(() => orchard);
const openWork = async (since?: string): Promise<OpenWorkChanges> =>
  (await request(orchard.app).get('/api/open-work').query({ since }).set('Host', '127.0.0.1').expect(200))
    .body;
const TREE = 'slip-side-02';
const finding = deadOn(TREE);
const mark = (id = newId(), more: object = {}, baseRevision: number | null = null) =>
  put(`/api/findings/${id}`, { baseRevision, finding: { ...finding, ...more } }).expect(200);

/** The revisions that a device is told, as they come. */
async function listening(device?: string): Promise<{ response: Response; told: string[]; stop(): void }> {
  const { port } = server.address() as AddressInfo;
  const aborting = new AbortController();
  const response = await fetch(
    `http://127.0.0.1:${port}/api/changes${device === undefined ? '' : `?device=${device}`}`,
    { signal: aborting.signal },
  );
  const told: string[] = [];
  const reading = async () => {
    let text = '';
    for await (const part of response.body as unknown as AsyncIterable<Uint8Array>) {
      text += Buffer.from(part).toString();
      told.splice(
        0,
        told.length,
        ...[...text.matchAll(/^data: (.*)$/gm)].flatMap(([, data]) => JSON.parse(data ?? '').revision ?? []),
      );
    }
  };
  void reading().catch(() => undefined);
  return { response, told, stop: () => aborting.abort() };
}
const until = async (holds: () => boolean) => {
  for (let i = 0; i < 200 && !holds(); i++) await new Promise((resolve) => setTimeout(resolve, 25));
  expect(holds()).toBe(true);
};

test('told at once, then of what another device wrote, not of its own', async () => {
  // What was written before, as the names of devices, has been told
  await new Promise((resolve) => setTimeout(resolve, 300));
  const other = await listening(newId());
  const own = await listening(deviceId);
  const nobody = await listening();
  expect(other.response.headers.get('content-type')).toMatch(/^text\/event-stream/);
  expect(other.response.headers.get('content-encoding')).toBeNull();
  await until(() => [other, own, nobody].every(({ told }) => told.length === 1));
  expect(new Set([...other.told, ...own.told, ...nobody.told])).toEqual(
    new Set([(await openWork()).revision]),
  );
  await mark();
  await until(() => other.told.length === 2 && nobody.told.length === 2);
  expect(other.told[1]).toBe((await openWork()).revision);
  expect(own.told).toHaveLength(1);
  // Computing writes nothing, and a write that is refused neither
  await request(orchard.app)
    .post('/api/compute/calendar-season')
    .set('Host', '127.0.0.1')
    .send({ day: '2026-11-24', latitude: 54 });
  await put(`/api/findings/${newId()}`, { baseRevision: 7, finding }).expect(404);
  await new Promise((resolve) => setTimeout(resolve, 400));
  expect(other.told).toHaveLength(2);
  for (const listener of [other, own, nobody]) listener.stop();
});

test('of the open work only what changed is read; another orchard, or one put back from a copy, is read whole', async () => {
  const first = await openWork();
  expect(first).toMatchObject({ whole: true, gone: [] });
  expect(await openWork(first.revision)).toMatchObject({ whole: false, trees: [], gone: [] });
  const id = newId();
  await mark(id);
  const found = await openWork(first.revision);
  expect(found.trees.map(({ tree }) => tree.id)).toEqual([TREE]);
  expect(JSON.stringify(found).length).toBeLessThan(JSON.stringify(first).length / 4);
  // A tree whose last finding is taken back is gone from the list
  const detail = found.trees[0];
  for (const open of detail?.findings.filter(({ state }) => state === 'open') ?? [])
    await mark(open.id, { ...FindingBody.parse(bodyOf(open)), withdrawn: true }, open.revision);
  expect(await openWork(found.revision)).toMatchObject({ whole: false, trees: [], gone: [TREE] });
  const [orchardId, seq] = first.revision.split(':');
  for (const since of [
    `${newId()}:${seq}`,
    `${orchardId}:${Number(seq) + 1e6}`,
    `${orchardId}:x`,
    'nonsense',
  ])
    expect((await openWork(since)).whole).toBe(true);
});

function bodyOf({ id, state, revision, by, receivedAt, ...body }: Record<string, unknown>) {
  return body;
}

const words = async (next: Promise<IteratorResult<Uint8Array>>) =>
  Buffer.from((await next).value ?? '').toString();

test('a server that closes lets go of who listens; a line says now and then that it is still there', async () => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'nextTick', 'queueMicrotask'] });
  try {
    const changes = makeChanges(orchard.store.db);
    const told = changes.listen(null);
    expect(await words(told.next())).toMatch(/^data: /);
    const alive = told.next();
    await jest.advanceTimersByTimeAsync(25_000);
    expect(await words(alive)).toBe(': still here\n\n');
    const last = told.next();
    await jest.advanceTimersByTimeAsync(10);
    changes.close();
    expect(await last).toEqual({ done: true, value: undefined });
    // Written while the first word is on its way to whoever listens: told as the second
    const slow = makeChanges(orchard.store.db);
    const heard = slow.listen(null);
    const first = await words(heard.next());
    await mark();
    slow.announce(null);
    await jest.advanceTimersByTimeAsync(300);
    await jest.advanceTimersByTimeAsync(300);
    const second = heard.next();
    await jest.advanceTimersByTimeAsync(300);
    expect(await words(second)).not.toBe(first);
    // A plan that is kept is told by itself, to the device that wrote as well
    slow.announce(null);
    slow.announcePlan();
    const third = heard.next();
    await jest.advanceTimersByTimeAsync(300);
    expect(await words(third)).toBe(': still here\n\n');
    const value = { stamp: '', plan: {}, orders: {} } as never;
    await orchard.store.db.insert(plans).values({ treeId: TREE, code: '', stamp: '', value });
    slow.announcePlan();
    const fourth = heard.next();
    await jest.advanceTimersByTimeAsync(300);
    expect(JSON.parse((await words(fourth)).slice(6))).toEqual({ plans: expect.stringMatching(/:1$/) });
    slow.close();
  } finally {
    jest.useRealTimers();
  }
});
