// A server that is run for real: it says whether it is ready, tells its figures on a port of its own, and several on one database hear of each other.
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pino } from 'pino';
import { readConfig } from './config';
import { type Running, start } from './start';
import { freshServerDatabase, newId, openEmpty, requestsTo } from './testing/orchard';

const log = pino({ level: 'silent' });
const folder = mkdtempSync(path.join(tmpdir(), 'processes-'));
const running: Running[] = [];
const begin = async (argv: string[], env: NodeJS.ProcessEnv = {}) => {
  const server = await start(readConfig(['--port', '0', '--copies', 'none', ...argv], env), log);
  running.push(server);
  return server;
};
afterAll(async () => {
  for (const server of running) await server.stop();
  rmSync(folder, { recursive: true, force: true });
});

async function freePort(): Promise<number> {
  const server = createServer();
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  await new Promise((resolve) => server.close(resolve));
  return port;
}

test('figures are told by routes, never by what was asked for, and on loopback only', async () => {
  const port = await freePort();
  const argv = ['--data', path.join(folder, 'one'), '--metrics-port', String(port)];
  const { url } = await begin(argv);
  await fetch(`${url}/api/trees/secret-tree?name=secret`);
  await fetch(`${url}/secret-page`);
  const figures = await (await fetch(`http://127.0.0.1:${port}/metrics`)).text();
  expect(figures).toMatch(
    /mortisect_request_seconds_count\{method="GET",route="\/api\/trees\/:treeId",status="404"\} 1/,
  );
  expect(figures).toContain('mortisect_pool_waiting{lane="quick"} 0');
  expect(figures).toContain('mortisect_copies_failed_total 0');
  expect(figures).not.toContain('secret');
  const taken = start(
    readConfig(['--port', '0', '--data', path.join(folder, 'two'), '--metrics-port', String(port)], {}),
    log,
  );
  await expect(taken).rejects.toThrow(`Port ${port} for figures is taken`);
});

test('a server is ready as long as its database answers', async () => {
  const orchard = await openEmpty();
  const { get } = requestsTo(() => orchard);
  expect((await get('/api/ready').expect(200)).body).toEqual({ ready: true });
  await orchard.store.close();
  const { body, headers } = await get('/api/ready').expect(503);
  expect([body.type, headers['retry-after']]).toEqual(['not-ready', '2']);
  await get('/api/health').expect(200);
  await orchard.close().catch(() => undefined);
});

const serverUrl = process.env.TEST_DATABASE_URL;
(serverUrl ? test : test.skip)(
  'what one process writes the other tells, also after its line to the database broke',
  async () => {
    const databaseUrl = await freshServerDatabase(serverUrl as string);
    const env = { DATABASE_URL: databaseUrl, MORTISECT_PHOTOS: path.join(folder, 'photos') };
    const [a, b] = [await begin([], env), await begin([], env)];
    const device = newId();
    const write = async () => {
      const headers = { 'Content-Type': 'application/json', 'X-Device-Id': device };
      await fetch(`${a.url}/api/devices/${device}`, {
        method: 'PUT',
        headers,
        body: JSON.stringify({ name: 'Boat crew' }),
      });
      const action = {
        kind: 'bladeCleaned',
        at: '2026-11-24T09:00:00Z',
        blade: 'Blade 1',
        agentId: 'alcohol-70',
      };
      const answer = await fetch(`${a.url}/api/actions/${newId()}`, {
        method: 'PUT',
        headers,
        body: JSON.stringify(action),
      });
      expect(answer.status).toBe(200);
    };
    const listening = await fetch(`${b.url}/api/changes?device=${newId()}`);
    const heard: string[] = [];
    void (async () => {
      const text = new TextDecoder();
      for await (const chunk of listening.body as unknown as AsyncIterable<Uint8Array>)
        heard.push(text.decode(chunk));
    })().catch(() => undefined);
    const seqs = () =>
      [...heard.join('').matchAll(/"revision":"[^:]+:(\d+)"/g)].map(([, seq]) => Number(seq));
    const told = async (count: number) => {
      for (let tries = 0; seqs().length < count && tries < 200; tries++)
        await new Promise((resolve) => setTimeout(resolve, 50));
      expect(seqs().length).toBe(count);
    };
    await told(1);
    await write();
    await told(2);
    expect(seqs()[1]).toBeGreaterThan(seqs()[0] as number);

    const { default: pg } = await import('pg');
    const client = new pg.Client({ connectionString: databaseUrl });
    await client.connect();
    await client.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where query like 'listen%' and datname = current_database()`,
    );
    await client.end();
    // Written while nobody could be told: it is told once the line stands again
    await write();
    await told(3);
  },
);
