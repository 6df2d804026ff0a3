// The wire: every error in one shape (RFC 9457) with the path of the fault, and the core reachable as plain JSON.
import { routes } from '@mortisect/contracts';
import request from 'supertest';
import { newId, type Orchard, openOrchard } from '../testing/orchard';

let orchard: Orchard;
beforeAll(async () => {
  orchard = await openOrchard();
});
afterAll(() => orchard.close());

const get = (path: string) => request(orchard.app).get(path).set('Host', '127.0.0.1');
const post = (path: string) => request(orchard.app).post(path).set('Host', '127.0.0.1');

test('the demo orchard answers in walking order, every answer as its contract says', async () => {
  const { body } = await get('/api/trees').expect(200);
  const { trees } = routes.getTrees.response.parse(body);
  expect(trees).toHaveLength(48);
  expect(trees[0]?.code).toBe('Lee wall 01');
  const work = routes.getOpenWork.response.parse((await get('/api/open-work').expect(200)).body);
  expect(work.trees.map(({ tree }) => tree.id)).toContain('lee-wall-07');
});

test('worked case 4 over the wire: S 115.6, reduction to M, target S 122', async () => {
  const { body } = await post('/api/compute/cut-position')
    .send(routes.computeCutPosition.example)
    .expect(200);
  expect(body.cuts).toMatchObject([
    {
      limbId: 'S',
      atCm: 115.6,
      kind: 'reduction',
      targetLimbId: 'S',
      targetCm: 122,
      shortfallCm: 0,
      lesionIds: ['canker-1'],
      swallowedBy: null,
    },
  ]);
  expect(body.decisions).toEqual([]);
});

test('every compute route answers its own example', async () => {
  const computes = Object.values(routes).filter((route) => route.tag === 'Compute');
  expect(computes.length).toBeGreaterThanOrEqual(8);
  for (const route of computes) await post(route.path).send(route.example).expect(200);
});

describe('what is wrong is said in one shape, with its place', () => {
  const example = routes.computeCutPosition.example;
  const stem = example.limbs[0] as (typeof example.limbs)[number];
  test.each<[string, unknown, number, string | undefined]>([
    [
      'a limb thicker at its tip',
      { ...example, limbs: [{ ...stem, tipMm: 500 }], lesions: [] },
      400,
      'limbs[0].tipMm',
    ],
    [
      'a lesion on no limb',
      { ...example, lesions: [{ ...example.lesions[0], limbId: 'Z' }] },
      400,
      'lesions[0].limbId',
    ],
    ['a field that is not known', { ...example, clearance: 3 }, 400, ''],
    ['more limbs than are computed at once', { ...example, limbs: Array(2001).fill(stem) }, 413, undefined],
    [
      'more lesions than are computed at once',
      { ...example, lesions: Array(501).fill(example.lesions[0]) },
      413,
      undefined,
    ],
  ])('%s', async (_, body, status, path) => {
    const answer = await post('/api/compute/cut-position')
      .send(body as object)
      .expect(status);
    expect(answer.type).toBe('application/problem+json');
    expect(answer.body).toMatchObject({
      status,
      title: expect.any(String),
      detail: expect.any(String),
      instance: expect.stringMatching(/-/),
    });
    if (path !== undefined) expect(answer.body.errors[0].path).toBe(path);
  });

  test.each([
    [
      'broken JSON',
      () => post('/api/compute/calendar-season').set('Content-Type', 'application/json').send('{"day":'),
      400,
    ],
    [
      'no JSON',
      () => post('/api/compute/calendar-season').set('Content-Type', 'text/plain').send('day'),
      415,
    ],
    [
      'a body beyond the limit',
      () => post('/api/compute/calendar-season').send({ day: 'x'.repeat(300_000) }),
      413,
    ],
    ['a tree that is not there', () => get('/api/trees/none'), 404],
    ['a route that is not there', () => get('/api/none'), 404],
    ['a log asked for wrongly', () => get('/api/log?limit=many'), 400],
    [
      'another host name on loopback',
      () => request(orchard.app).get('/api/site').set('Host', 'elsewhere.example'),
      421,
    ],
    [
      'a write from another page',
      () => post('/api/compute/calendar-season').set('Origin', 'http://elsewhere.example').send({}),
      403,
    ],
    [
      'a write from no known device',
      () =>
        request(orchard.app)
          .put(`/api/actions/${newId()}`)
          .set('Host', '127.0.0.1')
          .send({ kind: 'bladeCleaned', at: '2026-11-24T10:00:00Z', blade: 'b', agentId: 'a' }),
      422,
    ],
    [
      'a disorder that is not in the table',
      () => post('/api/compute/clearance').send({ ...routes.computeClearance.example, disorder: 'nothing' }),
      400,
    ],
    [
      'a tree of more limbs than are computed at once',
      () => post('/api/compute/tree-cuts').send({ tree: { limbs: Array(2001).fill(stem) } }),
      413,
    ],
  ])('%s', async (_, ask, status) => {
    const answer = await ask().expect(status);
    expect(answer.type).toBe('application/problem+json');
    expect(answer.body.status).toBe(status);
  });
});

test('headers: a content policy of its own scripts only, nothing kept by caches, no word about the framework', async () => {
  const { headers } = await get('/api/health').expect(200);
  expect(headers['content-security-policy']).toContain("default-src 'self'");
  expect(headers['content-security-policy']).toContain("script-src 'self'");
  expect(headers['cache-control']).toBe('no-store');
  expect(headers['x-powered-by']).toBeUndefined();
});

test('the readable page of the API and its document are served from here', async () => {
  expect((await get('/api/openapi.json').expect(200)).body.openapi).toBe('3.1.0');
  expect((await get('/api/docs').expect(200)).text).toContain('/api/docs/swagger-ui-bundle.js');
  await get('/api/docs/swagger-ui-bundle.js').expect(200);
});
