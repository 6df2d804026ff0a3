// The door by TLS: who trusts the authority comes in, plain HTTP is sent on, and the page of steps stands before that.
import { X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, request as plainRequest } from 'node:http';
import { createServer as createSecure, request as secureRequest } from 'node:https';
import { type AddressInfo, connect } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pino } from 'pino';
import { readConfig } from './config';
import { isHeard } from './door';
import { makeFront } from './secure/front';
import { type Running, start } from './start';

const folder = mkdtempSync(path.join(tmpdir(), 'door-'));
const PASSPHRASE = 'net loft and slip side';
const log = pino({ level: 'silent' });
const config = (...argv: string[]) => ({
  ...readConfig(['--data', folder, '--port', '0', '--host', '127.0.0.1', '--copies', 'none', ...argv], {
    MORTISECT_PASSPHRASE: PASSPHRASE,
  }),
});

interface Answered {
  status: number;
  headers: Record<string, string | string[] | undefined>;
  body: Buffer;
}

let running: Running;
let port: number;
let authority: string;
beforeAll(async () => {
  running = await start(config('--lan', '--names', 'orchard.home.arpa'), log);
  port = Number(new URL(running.url).port);
  authority = readFileSync(path.join(folder, 'lan/authority.crt'), 'utf8');
});
afterAll(async () => {
  await running.stop();
  rmSync(folder, { recursive: true });
});

function ask(
  scheme: 'http' | 'https',
  at: string,
  {
    host = '127.0.0.1',
    body,
    cookie,
    trusts = true,
  }: { host?: string; body?: object; cookie?: string; trusts?: boolean } = {},
): Promise<Answered> {
  const send = scheme === 'http' ? plainRequest : secureRequest;
  return new Promise((resolve, reject) => {
    const asked = send(
      {
        host: '127.0.0.1',
        port,
        path: at,
        method: body ? 'POST' : 'GET',
        headers: {
          Host: `${host}:${port}`,
          'Content-Type': 'application/json',
          ...(cookie && { Cookie: cookie }),
        },
        agent: false,
        ...(scheme === 'https' && {
          ...(trusts && { ca: authority }),
          servername: host === '127.0.0.1' ? '' : host,
        }),
      },
      (response) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk) => chunks.push(chunk));
        response.on('end', () =>
          resolve({
            status: response.statusCode ?? 0,
            headers: response.headers,
            body: Buffer.concat(chunks),
          }),
        );
      },
    );
    asked.on('error', reject);
    asked.end(body && JSON.stringify(body));
  });
}

test('who trusts the authority comes in by every name of the machine, and nobody else', async () => {
  for (const host of ['127.0.0.1', 'localhost', 'orchard.home.arpa'])
    expect((await ask('https', '/api/health', { host })).status).toBe(200);
  await expect(ask('https', '/api/health', { trusts: false })).rejects.toThrow(/self-signed|unable to/i);
});

test('the cookie is for this host over a safe line, and browsers are told to stay on it', async () => {
  const signed = await ask('https', '/api/session', { body: { passphrase: PASSPHRASE } });
  const cookie = String(signed.headers['set-cookie']);
  expect(cookie).toMatch(/^__Host-mortisect=.*Path=\/;.*HttpOnly;.*Secure;.*SameSite=Strict/);
  expect(signed.headers['strict-transport-security']).toBe('max-age=2592000');
  const mine = cookie.split(';')[0] as string;
  const { status, body } = await ask('https', '/api/field', { cookie: mine });
  expect(status).toBe(200);
  const { field } = JSON.parse(body.toString());
  expect(field.fingerprint).toBe(new X509Certificate(authority).fingerprint256);
  expect(field.trustUrl).toMatch(new RegExp(`^http://.*:${port}/trust$`));
  expect(JSON.stringify(field)).not.toContain('BEGIN');
});

test('plain HTTP is sent on to the same place, but not to a name that is none of ours', async () => {
  const sent = await ask('http', '/round/tree?x=1', { host: 'orchard.home.arpa' });
  expect([sent.status, sent.headers.location]).toEqual([
    308,
    `https://orchard.home.arpa:${port}/round/tree?x=1`,
  ]);
  expect((await ask('http', '/api/session', { body: { passphrase: PASSPHRASE } })).status).toBe(308);
  for (const scheme of ['http', 'https'] as const)
    expect(
      (await ask(scheme, '/', { host: 'elsewhere.example' }).catch(() => ({ status: 421 }))).status,
    ).toBe(421);
});

test('the page of steps has the certificate and its fingerprint, without anything of the orchard', async () => {
  const page = (await ask('http', '/trust')).body.toString();
  expect(page).toContain(new X509Certificate(authority).fingerprint256);
  for (const words of ['Android', 'iPhone', 'How to undo it', 'What you trust by this', '.home.arpa'])
    expect(page).toContain(words);
  const file = await ask('http', '/trust/authority.crt');
  expect(file.headers['content-type']).toBe('application/x-x509-ca-cert');
  expect(new X509Certificate(file.body).fingerprint256).toBe(new X509Certificate(authority).fingerprint256);
  expect((await ask('https', '/trust/sign.svg')).body.toString()).toContain('This device trusts it');
  expect((await ask('http', '/trust/authority.key')).status).toBe(308);
});

test('whoever connects and says nothing, or nonsense, holds nothing up', async () => {
  const sockets = Array.from({ length: 20 }, () => connect(port, '127.0.0.1'));
  for (const [i, socket] of sockets.entries()) {
    socket.on('error', () => undefined);
    if (i % 2) socket.write(Buffer.from([22, 3, 1, 0, 5, 1, 2, 3]));
  }
  expect((await ask('https', '/api/health')).status).toBe(200);
  for (const socket of sockets) socket.destroy();
});

test('a phone that walks away in the middle of its greeting does not keep the server from closing', async () => {
  const { server, dropAll } = makeFront(createSecure(), createServer());
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const both = new Promise<void>((resolve) => {
    let come = 0;
    server.on('connection', () => ++come === 2 && resolve());
  });
  const { port: at } = server.address() as AddressInfo;
  const [half, silent] = [connect(at, '127.0.0.1'), connect(at, '127.0.0.1')];
  for (const socket of [half, silent]) socket.on('error', () => undefined);
  half.write(Buffer.from([22, 3, 1]));
  await both;
  const closed = new Promise((resolve) => server.close(resolve));
  dropAll();
  await closed;
});

test('a certificate that was brought serves as well; ways that exclude each other are refused', async () => {
  const [cert, key] = ['server.crt', 'server.key'].map((name) => path.join(folder, 'lan', name)) as [
    string,
    string,
  ];
  const own = await start(
    { ...config('--cert', cert, '--key', key), dataFolder: path.join(folder, 'own') },
    log,
  );
  try {
    port = Number(new URL(own.url).port);
    expect(own.field).toBeNull();
    expect((await ask('https', '/api/health')).status).toBe(200);
    expect((await ask('http', '/trust')).headers.location).toBe(`https://127.0.0.1:${port}/trust`);
  } finally {
    await own.stop();
    port = Number(new URL(running.url).port);
  }
  for (const argv of [
    ['--lan', '--proxy'],
    ['--cert', cert],
    ['--key', key],
    ['--lan', '--cert', cert, '--key', key],
  ])
    expect(() => readConfig(argv, {})).toThrow('only one goes');
  writeFileSync(path.join(folder, 'none.crt'), 'none');
  await expect(start(config('--cert', path.join(folder, 'none.crt'), '--key', key), log)).rejects.toThrow(
    'no certificate',
  );
});

test.each([
  ['192.168.1.7', '::', true],
  ['fd00::9', '::', true],
  ['192.168.1.7', '0.0.0.0', true],
  ['fd00::9', '0.0.0.0', false],
  ['192.168.1.7', '192.168.1.7', true],
  ['192.168.1.8', '192.168.1.7', false],
  ['shed.local', '192.168.1.7', true],
  ['127.0.0.1', '192.168.1.7', true],
])('what is sent to %s comes to a server on %s: %s', (address, host, is) => {
  expect(isHeard(address, host)).toBe(is);
});
