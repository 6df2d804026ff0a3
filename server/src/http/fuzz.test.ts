// Hostile requests over every route, drawn by a seed: whatever is sent, the server refuses it in words and never fails itself.
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { type Route, routes } from '@mortisect/contracts';
import { manyRuns } from '@mortisect/core/testing';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { deviceId, newId, type Orchard, openOrchard } from '../testing/orchard';

/** In `npm run long` ten times as many. */
const REQUESTS = manyRuns(30_000, 3000);
const AT_ONCE = 8;
/** What listens for ever is no answer. */
const NEVER = new Set(['getChanges']);
/** What searches, imports or draws for a long time is asked seldom, and so is what takes nothing that could be hostile. */
const LONG =
  /^(compute(Plan|Candidates|Openness|Transmission|Season|WoundRisk)|import|get(Archive|Plan|PlanCsv|CutSheet|PlotCutSheet|TreeSeason|TreeTiming|TreeCalendar|Calendar))/;
const isSeldom = (name: string, { params, query, body, rawBody }: Route) =>
  LONG.test(name) || !(params || query || body || rawBody);
const SELDOM_ONE_IN = 40;

const HOSTILE: unknown[] = [
  null,
  '',
  ' ',
  'constructor',
  '__proto__',
  'toString',
  'a\0b',
  'a\ud800b',
  'é'.repeat(3000),
  '../../../etc/passwd',
  '%00',
  '=1+1',
  "'; drop table trees; --",
  '0001-01-01T00:00:00+14:00',
  '9999-12-31T23:59:59Z',
  '9999-12-31',
  '2026-02-30',
  '2026-11-24T09:00:00Z',
  'Mars/Olympus',
  'lee-wall-07',
  '0193f000-0000-7000-8000-0000000000aa',
  -1,
  0,
  0.5,
  1e308,
  -1e308,
  2 ** 53,
  1e-320,
  true,
  [],
  {},
  [null],
  [[[[[[]]]]]],
  JSON.parse('{"__proto__": {"x": 1}, "constructor": 1}'),
  { type: 'GeometryCollection', geometries: [] },
];

let orchard: Orchard;
let server: Server;
let url = '';
beforeAll(async () => {
  orchard = await openOrchard();
  server = orchard.app.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(async () => {
  server.closeAllConnections();
  server.close();
  await orchard.close();
});

const rng = xoroshiro128plus(Number(process.env.SEED ?? 20_261_124));
const below = (count: number) => uniformInt(rng, 0, count - 1);
const oneOf = <T>(list: readonly T[]): T => list[below(list.length)] as T;
/** Each by itself: what is changed again must not change the list. */
const hostile = () => structuredClone(oneOf(HOSTILE));

/** A sound body of each route that takes one, from what the demo holds. */
async function soundBodies(): Promise<Map<string, unknown[]>> {
  // biome-ignore lint/suspicious/noExplicitAny: it is spoilt anyway
  const get = async (path: string): Promise<any> => (await fetch(url + path)).json();
  const { site, revision } = await get('/api/site');
  const {
    tree,
    limbs,
    limbsRevision,
    findings,
    revision: treeRevision,
  } = await get('/api/trees/lee-wall-07');
  const { entries } = await get('/api/log?limit=200');
  const actions = entries.flatMap(
    ({ entry }: { entry: { kind: string; action?: object } }) => entry.action ?? [],
  );
  const bodies = new Map<string, unknown[]>();
  for (const [name, route] of Object.entries(routes)) {
    const { example } = route as Route;
    if (example !== undefined) bodies.set(name, [example]);
  }
  return new Map<string, unknown[]>([
    ...bodies,
    ['putDevice', [{ name: 'Fuzz' }]],
    ['putSite', [{ baseRevision: revision, site }]],
    [
      'putTree',
      [
        { baseRevision: treeRevision ?? null, tree },
        { baseRevision: null, tree },
      ],
    ],
    ['putRow', [{ baseRevision: 1, row: { name: 'A row', spacingCm: 400, at: 0 } }]],
    ['putLimbs', [{ baseRevision: limbsRevision, limbs, surveyedAt: '2026-11-24T09:00:00Z' }]],
    ['putFinding', findings.map((finding: object) => ({ baseRevision: null, finding }))],
    ['putAction', actions],
    [
      'putJob',
      [
        {
          baseRevision: null,
          job: { code: 'guard', treeId: 'lee-wall-07', dueOn: '2026-11-30', note: '', doneAt: null },
        },
      ],
    ],
    ['putStation', [{ name: 'Mast' }]],
    ['reportFault', [{ message: 'x', stack: 'y', page: '/today' }]],
    ['signIn', [{ passphrase: 'abc' }]],
    ['makeCalendar', [{}]],
  ]);
}

/** One or two places of it changed: another value, one less, one more. */
function spoilt(body: unknown): unknown {
  const copy = structuredClone(body);
  for (let times = 1 + below(2); times > 0; times--) {
    const places: [object: Record<string, unknown>, key: string][] = [];
    const walk = (value: unknown) => {
      if (typeof value !== 'object' || value === null) return;
      for (const key of Object.keys(value)) {
        places.push([value as Record<string, unknown>, key]);
        walk((value as Record<string, unknown>)[key]);
      }
    };
    walk(copy);
    if (places.length === 0) return hostile();
    const [holder, key] = oneOf(places);
    const how = below(10);
    if (how === 0) delete holder[key];
    else if (how === 1) holder[String(oneOf(['constructor', '__proto__', 'more', 'a\0']))] = hostile();
    else holder[key] = hostile();
  }
  return copy;
}

const inAddress = (): string => {
  const value = oneOf([...HOSTILE, 'lee-wall-07', 'net-loft-05', newId(), newId()]);
  return (
    encodeURIComponent(
      (typeof value === 'string' ? value : JSON.stringify(value))
        .replace(/\p{Surrogate}/gu, '')
        .slice(0, 200),
    ) || 'x'
  );
};

const FILES = [
  'code,species,height\nA 1,apple,400\nA 2,constructor,\0',
  'time,temperature\n2026-01-01 00:00,5\n9999-01-01 00:00,6',
  '{"hours":[{"at":"2026-01-01T00:00:00Z","temperatureC":5},{"at":"0001-01-01T00:00:00Z"}]}',
  '{"type":"FeatureCollection","features":[{"type":"Feature","geometry":null,"properties":{"code":"__proto__"}}]}',
  '{"type":"FeatureCollection","features":[{"type":"Feature","geometry":{"type":"GeometryCollection","geometries":[]},"properties":{"code":"x"}}]}',
  '\ufeff',
  '[]',
  '{"is":"archive","version":2}\n{"is":"history"}',
];

function requestFor(
  name: string,
  route: Route,
  bodies: unknown[] | undefined,
): [address: string, init: RequestInit] {
  const query = Object.keys((route.query as { shape?: object } | undefined)?.shape ?? {})
    .filter(() => below(3) > 0)
    .map((key) => `${key}=${inAddress()}`);
  const path = route.path.replace(/:\w+/g, () =>
    below(3) === 0 ? inAddress() : oneOf(['lee-wall-07', newId()]),
  );
  const headers: Record<string, string> = { 'X-Device-Id': below(9) === 0 ? 'nobody' : deviceId };
  if (below(20) === 0) headers.Authorization = `Bearer ${encodeURIComponent(name)}`;
  let body: RequestInit['body'] = null;
  if (route.body) {
    headers['Content-Type'] = 'application/json';
    body = JSON.stringify(bodies ? spoilt(oneOf(bodies)) : hostile());
  } else if (route.rawBody) {
    headers['Content-Type'] = 'types' in route.rawBody ? oneOf(route.rawBody.types) : 'application/x-ndjson';
    body = oneOf(FILES);
  }
  return [
    `${path}${query.length > 0 ? `?${query.join('&')}` : ''}`,
    { method: route.method.toUpperCase(), headers, body },
  ];
}

test(`${REQUESTS} hostile requests: every answer is the server’s own word, none its failure`, async () => {
  await fetch(`${url}/api/devices/${deviceId}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'X-Device-Id': deviceId },
    body: '{"name":"Fuzz"}',
  });
  const bodies = await soundBodies();
  const names = Object.keys(routes).filter((name) => !NEVER.has(name));
  // Drawn before they are sent: their order hangs on the seed alone, not on how soon each is answered
  const drawn: [name: string, ...ReturnType<typeof requestFor>][] = [];
  while (drawn.length < REQUESTS) {
    const name = oneOf(names);
    const route = (routes as Record<string, Route>)[name] as Route;
    if (isSeldom(name, route) && below(SELDOM_ONE_IN) > 0) continue;
    drawn.push([name, ...requestFor(name, route, bodies.get(name))]);
  }
  const failed: string[] = [];
  const statuses = new Map<number, number>();
  const left = drawn.values();
  const sendOn = async () => {
    for (const [name, address, init] of left) {
      const answer = await fetch(url + address, init);
      await answer.arrayBuffer();
      statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
      const sent = `${name} ${init.method} ${address} ${String(init.body ?? '').slice(0, 400)}`;
      if (answer.status >= 500) failed.push(`${answer.status} ${sent}`);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, sendOn));
  expect(failed.slice(0, 10)).toEqual([]);
  // They do not all founder at the door
  expect(statuses.get(200) ?? 0).toBeGreaterThan(REQUESTS / 10);
  expect((await fetch(`${url}/api/trees`)).status).toBe(200);
}, 1_200_000);
