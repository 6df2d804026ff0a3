// A phone in the field, proved on two networks of this machine: a server in a shed and a browser that trusts its authority, joined by a link that goes away.
import { execFileSync, spawn } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { root, run, StepFailed, say } from './steps.mjs';

const SHED = 'shed-under-test';
const PHONE = 'phone-under-test';
const ADDRESS = '10.77.0.1';
const PORT = '3443';
const PASSPHRASE = 'net loft and slip side';
const STARTS_MS = 60_000;
const STOPS_MS = 20_000;

const has = (program) => process.env.PATH.split(':').some((folder) => existsSync(path.join(folder, program)));
const ip = (...args) => execFileSync('ip', args, { stdio: ['ignore', 'pipe', 'pipe'] });

/** @returns one line of what was seen; null where this machine cannot show it, which is said */
export async function phoneInTheField() {
  const missing = ['ip', 'certutil', 'chromium'].filter((program) => !has(program));
  if (process.getuid?.() !== 0 || missing.length > 0) {
    say(
      `A phone in the field: skipped. It needs root, and iproute2, libnss3-tools and chromium (missing: ${missing.join(', ') || 'root'}).`,
    );
    return null;
  }
  const folder = mkdtempSync(path.join(tmpdir(), 'shed-'));
  let server;
  try {
    for (const name of [SHED, PHONE]) {
      ip('netns', 'add', name);
      ip('-n', name, 'link', 'set', 'lo', 'up');
    }
    ip('link', 'add', 'shed0', 'netns', SHED, 'type', 'veth', 'peer', 'name', 'phone0', 'netns', PHONE);
    ip('-n', SHED, 'addr', 'add', `${ADDRESS}/24`, 'dev', 'shed0');
    ip('-n', PHONE, 'addr', 'add', '10.77.0.2/24', 'dev', 'phone0');
    ip('-n', SHED, 'link', 'set', 'shed0', 'up');
    ip('-n', PHONE, 'link', 'set', 'phone0', 'up');
    const options = [
      '--lan',
      '--demo',
      '--data',
      path.join(folder, 'data'),
      '--port',
      PORT,
      '--copies',
      'none',
    ];
    server = spawn('ip', ['netns', 'exec', SHED, process.execPath, 'server/dist/js/main.mjs', ...options], {
      cwd: root,
      env: { ...process.env, MORTISECT_PASSPHRASE: PASSPHRASE, LOG_LEVEL: 'warn' },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    await answers(server);
    const from = Date.now();
    await run(
      'A phone in the field',
      'ip',
      ['netns', 'exec', PHONE, 'npx', 'playwright', 'test', '-c', 'e2e/field.config.ts'],
      {
        env: { FIELD_URL: `https://${ADDRESS}:${PORT}`, FIELD_LINK: 'phone0', FIELD_PASSPHRASE: PASSPHRASE },
      },
    );
    return `a phone on another network: trusted, installed, an hour without signal, all home again (${Math.round((Date.now() - from) / 1000)} s)`;
  } finally {
    if (server) {
      const late = setTimeout(() => server.kill('SIGKILL'), STOPS_MS);
      server.kill('SIGTERM');
      const [, signal] = await new Promise((resolve) => server.once('exit', (...how) => resolve(how)));
      clearTimeout(late);
      if (signal === 'SIGKILL') say('The server in the shed did not stop by itself.');
    }
    for (const name of [SHED, PHONE]) if (existsSync(`/run/netns/${name}`)) ip('netns', 'del', name);
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Until it has said where. */
function answers(server) {
  return new Promise((resolve, reject) => {
    const late = setTimeout(
      () => reject(new StepFailed('The server in the shed did not answer.')),
      STARTS_MS,
    );
    server.stdout.on('data', (text) => {
      if (!String(text).includes('Fingerprint')) return;
      clearTimeout(late);
      resolve();
    });
    server.once('exit', (code) => reject(new StepFailed(`The server in the shed ended (${code}).`)));
  });
}
