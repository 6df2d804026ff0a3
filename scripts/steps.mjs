// What the commands share: say what is done, run it, and leave out what is done already. Node's own modules only: nothing is installed yet.
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { copyFileSync, existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = path.join(path.dirname(fileURLToPath(import.meta.url)), '..');
const LEAST_NODE = [20, 19, 4];

/** A step that did not work: told in one line, without a stack trace. */
export class StepFailed extends Error {}

export function say(text) {
  process.stdout.write(`${text}\n`);
}

/**
 * Runs a program to its end. With `together` what it prints comes in one piece when it has ended, so that steps may run side by side.
 *
 * @throws {StepFailed} naming the step when it fails
 */
export function run(what, program, args, { together = false, env, ...options } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(program, args, {
      cwd: root,
      stdio: together ? ['ignore', 'pipe', 'pipe'] : 'inherit',
      ...options,
      env: { ...process.env, ...env },
    });
    const printed = [];
    if (together)
      for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => printed.push(text));
    child.on('error', (error) =>
      reject(new StepFailed(`${what}: ${program} cannot be run (${error.message}).`)),
    );
    child.on('close', (code, signal) => {
      if (together) say(`\n▸ ${what}\n${Buffer.concat(printed).toString().trim()}`);
      if (code === 0) resolve();
      else reject(new StepFailed(`${what} failed (${signal ?? `exit code ${code}`}).`));
    });
  });
}

/** Runs a command's steps; a failed step ends it with its message and exit code 1. */
export async function command(steps) {
  try {
    await steps();
  } catch (error) {
    if (!(error instanceof StepFailed)) throw error;
    if (error.message) process.stderr.write(`\n✗ ${error.message}\n`);
    process.exit(1);
  }
}

/** What git answers; null where there is no repository, as in an unpacked archive. */
export function git(...args) {
  try {
    return execFileSync('git', args, { cwd: root, stdio: ['ignore', 'pipe', 'ignore'] })
      .toString()
      .trim();
  } catch {
    return null;
  }
}

export async function installed() {
  const version = process.versions.node.split('.').map(Number);
  const off = LEAST_NODE.findIndex((least, i) => version[i] !== least);
  if (off >= 0 && version[off] < LEAST_NODE[off]) {
    throw new StepFailed(
      `Node ${LEAST_NODE.join('.')} or newer is needed; this is ${process.versions.node}.`,
    );
  }
  const stamp = path.join(root, 'node_modules/.installed-from');
  const wanted = digest(['package-lock.json']);
  if (!existsSync(stamp) || readFileSync(stamp, 'utf8') !== wanted) {
    say('Installing packages (npm ci) …');
    await run('Installing packages', 'npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
    writeFileSync(stamp, wanted);
  }
  const { wordsBuilt } = await import('./words.mjs');
  await wordsBuilt();
}

const WEB_SOURCES = [
  'client/app',
  'client/src',
  'client/public',
  'client/app.json',
  'client/babel.config.js',
  'client/build',
  'client/metro.config.js',
  'contracts/src',
  'core/src',
  'words/compiled',
  'words/en/terms.json',
  'words/es/terms.json',
  'words/src',
  'package-lock.json',
  'scripts/first-load.mjs',
  'scripts/compress-app.mjs',
];
const NOT_BUILT_FROM = /\.test\.tsx?$|client\/public\/fonts\//;

/** Exports the web app when its sources have changed since the last export. */
export async function webAppBuilt() {
  const stamp = path.join(root, 'client/dist/.built-from');
  const wanted = digest(WEB_SOURCES);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  say('Building the web app (two to three minutes the first time, seconds later) …');
  await run('Copying the fonts', process.execPath, ['scripts/copy-fonts.mjs']);
  const expo = path.join(root, 'node_modules/expo/bin/cli');
  await run('Building the web app', process.execPath, [expo, 'export', '-p', 'web'], {
    cwd: path.join(root, 'client'),
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production' },
  });
  await run('Sharing out the scripts', process.execPath, ['scripts/first-load.mjs']);
  await run('Keeping the app for offline use', process.execPath, ['scripts/keep-offline.mjs']);
  await run('Compressing the app', process.execPath, ['scripts/compress-app.mjs']);
  writeFileSync(stamp, wanted);
}

/**
 * Compiles the server and what its worker threads load, so that a start reads a few files and no TypeScript. It takes a quarter of a second.
 *
 * @param outdir as deep below its root as the sources, so that both find server/drizzle
 */
export async function serverBuilt(outdir = path.join(root, 'server/dist/js')) {
  const { build } = await import('esbuild');
  await build({
    absWorkingDir: root,
    entryPoints: { main: 'server/src/main.ts', 'tasks.worker': 'server/src/pool/tasks.ts' },
    outdir,
    outExtension: { '.js': '.mjs' },
    chunkNames: '[name]-[hash]',
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    target: 'node20',
    logLevel: 'error',
    plugins: [
      {
        name: 'packages-stay-outside',
        setup: ({ onResolve }) =>
          onResolve({ filter: /^[^./]/ }, ({ path: wanted, kind }) =>
            // Our own workspaces are compiled in; Node finds the rest in node_modules
            kind === 'entry-point' || wanted.startsWith('@mortisect/')
              ? undefined
              : { path: wanted, external: true },
          ),
      },
    ],
  });
  copyFileSync(
    path.join(root, 'server/src/demo/orrinBight.data.json'),
    path.join(outdir, 'orrinBight.data.json'),
  );
}

/** The compiled server with options that make it do one thing and end; it says itself what went wrong. */
export function serverCommand(args) {
  const { status } = spawnSync(process.execPath, ['server/dist/js/main.mjs', ...args], {
    cwd: root,
    stdio: 'inherit',
  });
  if (status !== 0) throw new StepFailed('');
}

/** One digest of all named files and of the files in the named folders. */
export function digest(places) {
  const hash = createHash('sha256');
  for (const place of places) {
    for (const file of filesIn(place))
      hash
        .update(file)
        .update('\0')
        .update(readFileSync(path.join(root, file)))
        .update('\0');
  }
  return hash.digest('hex');
}

function filesIn(place) {
  const full = path.join(root, place);
  if (!existsSync(full)) return [];
  if (!statSync(full).isDirectory()) return [place];
  return readdirSync(full)
    .sort()
    .flatMap((name) => filesIn(`${place}/${name}`))
    .filter((file) => !NOT_BUILT_FROM.test(file));
}
