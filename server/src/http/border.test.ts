// What comes in and what gets out: texts that no database keeps, the log without what was sent, a database that is away.
import { pino } from 'pino';
import { pinoHttp } from 'pino-http';
import request from 'supertest';
import { ZodError } from 'zod';
import { CLINIC } from '../standIns/clinic';
import { deviceId, newId, type Orchard, openOrchard, requestsTo } from '../testing/orchard';
import { failureOf, serializers } from './logging';
import { problemHandler } from './problem';
import { storable } from './storable';

let orchard: Orchard;
beforeAll(async () => {
  orchard = await openOrchard();
  await put(`/api/devices/${deviceId}`, { name: 'Wall crew' }).expect(200);
});
afterAll(() => orchard.close());

const { get, put, read } = requestsTo(() => orchard);

const [NUL, HALF] = ['a\0b', 'a\ud800b'];
test.each([
  ['a name with NUL', () => put(`/api/devices/${newId()}`, { name: NUL }), 'name'],
  ['a name with half a character', () => put(`/api/devices/${newId()}`, { name: HALF }), 'name'],
  [
    'a note deep in a record',
    () =>
      put(`/api/actions/${newId()}`, {
        kind: 'treeSkipped',
        at: '2026-11-24T09:00:00Z',
        treeId: 'a',
        reason: NUL,
      }),
    'reason',
  ],
  ['an address', () => get(`/api/trees/${encodeURIComponent(NUL)}`), 'treeId'],
  ['a question', () => get(`/api/log?tree=${encodeURIComponent(NUL)}`), 'tree'],
])('%s is refused with its path', async (_, ask, path) => {
  const { status, body } = await ask();
  expect([status, body.errors]).toEqual([
    400,
    [{ path, message: 'This text has a character that cannot be kept.', code: 'notStorable', given: {} }],
  ]);
});

test('whole characters pass, keys are looked at, and what is nested deep ends nothing', () => {
  const kept = { name: 'Größe 🍐', list: ['é', 1, null, true] };
  expect(storable(kept)).toBe(kept);
  expect(() => storable({ list: [{ [NUL]: 1 }] })).toThrow(ZodError);
  let deep: unknown = HALF;
  for (let i = 0; i < 20_000; i++) deep = [deep];
  expect(() => storable(deep)).toThrow(ZodError);
});

test('two hours of weather centuries apart are refused before they are reckoned with', async () => {
  const hours = ['2026-01-01T00:00:00Z', '2199-01-01T00:00:00Z'].map((at) => ({ at, temperatureC: 5 }));
  const since = Date.now();
  const { body } = await request(orchard.app)
    .post('/api/compute/windows')
    .set('Host', '127.0.0.1')
    .send({ latitude: 54, longitude: 0, timeZone: 'UTC', hours })
    .expect(400);
  expect(body.detail).toMatch(/more than eleven years apart/);
  expect(Date.now() - since).toBeLessThan(2000);
});

describe('whose device it is', () => {
  const id = newId();
  const named = (name: string, key?: string, of = id) => {
    const asked = put(`/api/devices/${of}`, { name });
    return key === undefined ? asked : asked.set('X-Device-Key', key);
  };
  const written = (key?: string, of = id) => {
    const asked = put(`/api/actions/${newId()}`, {
      kind: 'treeSkipped',
      at: '2026-11-24T09:00:00Z',
      treeId: 'lee-wall-07',
      reason: 'Wet.',
    }).set('X-Device-Id', of);
    return key === undefined ? asked : asked.set('X-Device-Key', key);
  };

  test('the key it said first is asked for from then on, to name it and to write', async () => {
    await named('Boat crew').expect(200);
    // A device of before, that has said none: whoever says one first has it
    await written().expect(200);
    await written('mine').expect(200);
    for (const key of [undefined, 'yours', '']) {
      const { body } = await named('Somebody', key).expect(403);
      expect(body.type).toBe('not-your-device');
      await written(key).expect(403);
    }
    await named('Boat crew, second shift', 'mine').expect(200);
    await written('mine').expect(200);
    expect((await read('/api/people')).people).toContain('Boat crew, second shift');
  });

  test('nobody is the plant clinic', async () => {
    await named('Clinic', 'mine', CLINIC.id).expect(403);
    await written('mine', CLINIC.id).expect(403);
    await written(undefined, CLINIC.id).expect(403);
  });
});

test('a station is known before what it sends is read, and sends so often only', async () => {
  const push = (token: string, body: string) =>
    request(orchard.app)
      .post('/api/weather/push')
      .set('Host', '127.0.0.1')
      .set('Authorization', `Bearer ${token}`)
      .set('Content-Type', 'application/json')
      .send(body);
  // Not even looked at: it is no JSON
  await push('wrong', '{').expect(401);
  const { body } = await put(`/api/weather/stations/${newId()}`, { name: 'Slip' }).expect(200);
  await push(body.token, '{').expect(400);
  const statuses: number[] = [];
  for (let i = 0; i < 240; i++) statuses.push((await push(body.token, '{}')).status);
  expect(statuses.slice(-2)).toEqual([400, 429]);
  const other = await put(`/api/weather/stations/${newId()}`, { name: 'Wall' }).expect(200);
  await push(other.body.token, '{}').expect(400);
});

test('the log has neither cookie nor token nor question, and of a failed statement not what was sent', async () => {
  const lines: string[] = [];
  const log = pino({ level: 'debug' }, { write: (line) => lines.push(line) });
  const http = pinoHttp({ logger: log, serializers });
  const statement = Object.assign(new Error('Failed query: insert … params: secret-value'), {
    severity: 'ERROR',
    code: '22P05',
  });
  const failing = new Error('Boom');
  failing.cause = statement;
  const url = '/api/calendar.ics?token=secret-token';
  const headers = { cookie: 'session=secret-cookie', authorization: 'Bearer secret-bearer' };
  const message = { method: 'GET', url, originalUrl: url, headers, socket: {} };
  const response = Object.assign(new (await import('node:events')).EventEmitter(), {
    statusCode: 500,
    getHeaders: () => ({ 'set-cookie': 'secret-set' }),
  });
  http(message as never, response as never, () => undefined);
  (message as unknown as { log: typeof log }).log.error({ err: failing }, 'request failed');
  response.emit('finish');
  expect(lines.length).toBeGreaterThan(0);
  expect(lines.join('')).not.toContain('secret');
  expect(lines.join('')).toContain('/api/calendar.ics');
  expect(failureOf(failing)).toMatchObject({ type: 'Error', message: 'Boom', cause: { code: '22P05' } });
  expect(failureOf('secret').message).not.toContain('secret');
  expect(failureOf(failing).at[0]).toMatch(/^at /);
});

test.each<[{ code?: string; message?: string }, number]>([
  [{ code: '57P01' }, 503],
  [{ code: 'ECONNREFUSED' }, 503],
  [{ code: '08006' }, 503],
  [{ message: 'Connection terminated unexpectedly' }, 503],
  [{ code: '23505' }, 500],
  [{ message: 'x is not a function' }, 500],
])('%j under a failed statement is answered %i', (cause, status) => {
  const error = new Error('Failed query');
  error.cause = Object.assign(new Error(cause.message ?? 'no'), cause);
  const answer = { status: 0, headers: {} as Record<string, string>, headersSent: false };
  const response = {
    headersSent: false,
    setHeader: (name: string, value: string) => {
      answer.headers[name] = value;
    },
    status: (code: number) => {
      answer.status = code;
      return response;
    },
    type: () => response,
    vary: () => response,
    send: () => response,
  };
  const request = { id: '1', query: {}, acceptsLanguages: () => [] };
  problemHandler(error, request as never, response as never, () => undefined);
  expect([answer.status, answer.headers['Retry-After']]).toEqual([status, status === 503 ? '2' : undefined]);
});
