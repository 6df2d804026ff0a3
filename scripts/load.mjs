// Fifty questions a second, of the ten kinds that are asked most: how long they take, beside a bare Express with the same queries; and on three
// processes that share a PostgreSQL server, of which one is killed now and then: is anything lost that was acknowledged?
import { execFileSync, fork } from 'node:child_process';
import { cpSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { request as ask, createServer } from 'node:http';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { v7 as newId } from 'uuid';
import { settled, startServer, stopServer } from './server.mjs';
import { root, StepFailed } from './steps.mjs';

const A_SECOND = 50;
const SECONDS = 20;
const WARM_SECONDS = 6;
const MOST_TIMES_BARE = 1.5;
const DEVICE = '0193f000-0000-7000-8000-0000000000dd';
/** Of the ten most used routes, by turns; null: a record is sent. What the app reads by its changes is asked for so. */
const ROUTES = [
  ['trees', '/api/trees'],
  ['open work', '/api/open-work', 'since'],
  ['a tree', '/api/trees/lee-wall-07'],
  ['round', '/api/round'],
  ['run', '/api/run'],
  ['log', '/api/log?limit=50'],
  ['days', '/api/timing'],
  ['plans', '/api/plans', 'since'],
  ['site', '/api/site'],
  ['a record', null],
];

const record = (url, id) =>
  fetch(`${url}/api/actions/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'X-Device-Id': DEVICE },
    body: JSON.stringify({ kind: 'roundPaused', at: new Date().toISOString() }),
  });
const nameDevice = (url) =>
  fetch(`${url}/api/devices/${DEVICE}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: '{"name":"Wall crew"}',
  });

/** Asks at fixed times, whether or not what was asked before is answered. @returns ms from the time it was to be asked, by route */
async function underLoad(url, seconds, kept = { ids: [], refused: 0 }) {
  const took = new Map(ROUTES.map(([name]) => [name, []]));
  const revisions = new Map();
  for (const [name, at, since] of ROUTES)
    if (since) revisions.set(name, (await (await fetch(url + at)).json()).revision);
  const from = performance.now();
  const asked = Array.from({ length: seconds * A_SECOND }, async (_, i) => {
    const due = from + (i * 1000) / A_SECOND;
    await new Promise((resolve) => setTimeout(resolve, due - performance.now()));
    const [name, at] = ROUTES[i % ROUTES.length];
    const id = newId();
    try {
      const since = revisions.has(name) ? `?since=${encodeURIComponent(revisions.get(name))}` : '';
      const answer = await (at === null ? record(url, id) : fetch(url + at + since));
      const text = await answer.text();
      if (since && answer.ok) revisions.set(name, JSON.parse(text).revision);
      if (!answer.ok) kept.refused++;
      else if (at === null) kept.ids.push(id);
      took.get(name).push(performance.now() - due);
    } catch {
      kept.refused++;
    }
  });
  await Promise.all(asked);
  return took;
}

/** What a process has worked so far, by Linux’s own count. */
function cpuMs({ pid }) {
  const [user, system] = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1].split(' ').slice(11, 13);
  return (Number(user) + Number(system)) * 10;
}

const p95 = (list) => list.toSorted((a, b) => a - b)[Math.ceil(list.length * 0.95) - 1] ?? Number.NaN;

/** @returns one line; slower than one and a half times a bare Express is a fault */
export async function load() {
  const folder = mkdtempSync(path.join(tmpdir(), 'load-'));
  const children = [];
  try {
    const data = path.join(folder, 'data');
    const options = ['--demo', '--data', data, '--port', '0', '--copies', 'none'];
    const first = await startServer(options, { quiet: true });
    children.push(first.child);
    const measure = async (url, child) => {
      await nameDevice(url);
      await underLoad(url, WARM_SECONDS);
      const before = cpuMs(child);
      const took = await underLoad(url, SECONDS);
      return { took, each: (cpuMs(child) - before) / (SECONDS * A_SECOND) };
    };
    await settled(first.url);
    const ours = await measure(first.url, first.child);
    await stopServer(first.child);
    const copy = path.join(folder, 'copy');
    cpSync(data, copy, { recursive: true });
    const bare = fork('server/src/testing/bare.ts', [copy], {
      cwd: root,
      execArgv: ['--import', 'tsx'],
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    });
    children.push(bare);
    const bareUrl = await new Promise((resolve, reject) => {
      bare.once('message', ({ url }) => resolve(url));
      bare.once('exit', () => reject(new StepFailed('The bare Express ended.')));
    });
    const plain = await measure(bareUrl, bare);
    const all = (of) => p95([...of.took.values()].flat()).toFixed(0);
    const each = ROUTES.map(
      ([name]) => `${name} ${p95(ours.took.get(name)).toFixed(0)} (${p95(plain.took.get(name)).toFixed(0)})`,
    );
    const line = `${A_SECOND} questions a second, 95 % within ${all(ours)} ms (bare Express with the same queries: ${all(plain)}): ${each.join(', ')}; the server works ${ours.each.toFixed(1)} ms on each (${plain.each.toFixed(1)})`;
    // How long others wait hangs on the machine; how much work there is does not
    if (ours.each > MOST_TIMES_BARE * plain.each)
      throw new StepFailed(`${line}. More than ${MOST_TIMES_BARE} times a bare Express.`);
    return line;
  } finally {
    for (const child of children) child.kill('SIGKILL');
    rmSync(folder, { recursive: true, force: true });
  }
}

const PROCESSES = 3;
const KILL_EVERY_MS = 6000;
const TOGETHER_SECONDS = 45;

/** @returns one line; null where there is no PostgreSQL, or no right to start one */
export async function killedAmongThree() {
  const bin = postgresBin();
  if (bin === null || process.getuid?.() !== 0) return null;
  const folder = mkdtempSync(path.join(tmpdir(), 'three-'));
  execFileSync('chown', ['postgres', folder]);
  const as = (...args) => execFileSync('runuser', ['-u', 'postgres', '--', ...args], { stdio: 'ignore' });
  const cluster = path.join(folder, 'data');
  as(`${bin}/initdb`, '-D', cluster, '-A', 'trust', '-U', 'postgres');
  const options = `-c listen_addresses=127.0.0.1 -c port=54331 -c unix_socket_directories=${folder}`;
  as(`${bin}/pg_ctl`, '-D', cluster, '-w', '-l', path.join(folder, 'log'), '-o', options, 'start');
  const env = {
    DATABASE_URL: 'postgres://postgres@127.0.0.1:54331/postgres',
    MORTISECT_PHOTOS: path.join(folder, 'photos'),
  };
  const begin = () => startServer(['--demo', '--port', '0', '--copies', 'none'], { quiet: true, env });
  const started = [];
  try {
    for (let i = 0; i < PROCESSES; i++) started.push(await begin());
    const { url, close } = await balancer(() => started.map((server) => server.url));
    await nameDevice(url);
    await underLoad(url, WARM_SECONDS);
    let kills = 0;
    let over = false;
    const killing = (async () => {
      for (;;) {
        await new Promise((resolve) => setTimeout(resolve, KILL_EVERY_MS));
        if (over) return;
        const i = Math.floor(Math.random() * PROCESSES);
        started[i].child.kill('SIGKILL');
        kills++;
        started[i] = await begin();
      }
    })();
    const kept = { ids: [], refused: 0 };
    const took = await underLoad(url, TOGETHER_SECONDS, kept);
    over = true;
    await killing;
    const there = new Set(await recordsOf(started[0].url));
    await close();
    const lost = kept.ids.filter((id) => !there.has(id)).length;
    const line = `three processes on PostgreSQL, one of them killed ${kills} times: ${kept.ids.length} records acknowledged, ${lost} lost, ${kept.refused} of ${TOGETHER_SECONDS * A_SECOND} questions unanswered; ${A_SECOND} a second, 95 % within ${p95([...took.values()].flat()).toFixed(0)} ms`;
    if (lost > 0) throw new StepFailed(`${line}.`);
    return line;
  } finally {
    for (const { child } of started) child.kill('SIGKILL');
    as(`${bin}/pg_ctl`, '-D', cluster, '-m', 'immediate', 'stop');
    rmSync(folder, { recursive: true, force: true });
  }
}

function postgresBin() {
  const base = '/usr/lib/postgresql';
  if (!existsSync(base)) return null;
  const [version] = readdirSync(base).sort((a, b) => Number(b) - Number(a));
  const bin = path.join(base, version ?? '', 'bin');
  return existsSync(path.join(bin, 'initdb')) ? bin : null;
}

async function recordsOf(url) {
  const ids = [];
  for (let before = ''; ; ) {
    const { entries, more } = await (await fetch(`${url}/api/log?limit=200${before}`)).json();
    ids.push(...entries.map(({ entry }) => entry.recordId));
    if (!more) return ids;
    before = `&before=${entries.at(-1).seq}`;
  }
}

/** One address before several processes, by turns; a process that does not answer is passed over, as every record may be sent twice. */
async function balancer(urls) {
  let turn = 0;
  const server = createServer((from, to) => {
    const chunks = [];
    from.on('data', (chunk) => chunks.push(chunk));
    from.on('end', () => {
      const body = Buffer.concat(chunks);
      const pass = (left) => {
        const next = urls()[turn++ % urls().length];
        const passed = ask(next + from.url, { method: from.method, headers: from.headers }, (answer) => {
          const parts = [];
          answer.on('data', (part) => parts.push(part));
          answer.on('end', () => to.writeHead(answer.statusCode, answer.headers).end(Buffer.concat(parts)));
          answer.on('error', () => again(left));
        });
        passed.on('error', () => again(left));
        passed.end(body);
      };
      let tried = 0;
      const again = (left) => {
        if (tried++ < left) pass(left);
        else if (!to.headersSent) to.writeHead(502).end();
      };
      pass(PROCESSES);
    });
  });
  await new Promise((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    url: `http://127.0.0.1:${server.address().port}`,
    close: () => {
      server.closeAllConnections();
      return new Promise((resolve) => server.close(resolve));
    },
  };
}
