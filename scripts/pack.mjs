// `npm run pack [-- --out FOLDER]`: one archive that runs with Node alone. It is unpacked into an empty folder and asked for what people ask before it counts.
import { execFileSync, spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { keepFigures } from './figures.mjs';
import { command, installed, root, StepFailed, say, serverBuilt, webAppBuilt } from './steps.mjs';

const { version } = JSON.parse(readFileSync(path.join(root, 'package.json'), 'utf8'));
/** Pictures and passphrases are worked on by machine code: it is for this kind of machine. */
const NAME = `mortisect-${version}-${process.platform}-${process.arch}`;
const DEVICE = '0193f000-0000-7000-8000-0000000000dd';
/** What stands beside the compiled server. */
const PLACES = [
  'server/drizzle',
  'client/dist',
  'packaging',
  'docs/methods',
  'README.md',
  'CHANGELOG.md',
  'LICENSE',
];
/** What only those need who build. */
const NOT_RUN =
  /\.(map|d\.[cm]?ts|tsbuildinfo)$|\.md$|\/(test|tests|__tests__|docs?|examples?|benchmarks?)$/i;
const ONLY_TO_BUILD = /^(tsx|esbuild|get-tsconfig|resolve-pkg-maps|@esbuild\/.*|@types\/.*)$/;

const MANIFEST = {
  name: 'mortisect',
  private: true,
  version,
  license: 'MIT',
  engines: { node: '>=20.19.4' },
  scripts: {
    start: 'node server/dist/js/main.mjs',
    demo: 'node server/dist/js/main.mjs --demo',
    backup: 'node server/dist/js/main.mjs --backup',
    restore: 'node server/dist/js/main.mjs --restore',
  },
};

/** What people ask first, and what each brings: the app, the database, a worker, fonts and PDF, pictures, the pages of the API. */
const ASKED = [
  ['/', /<html/],
  ['/api/ready', /true/],
  ['/api/trees', /Orrin|lee-wall-07/],
  ['/api/timing', /groups/],
  ['/api/trees/lee-wall-07/plan.json', /mortisect-plan/],
  ['/api/trees/lee-wall-07/cut-sheet.pdf', /^%PDF/],
  ['/api/docs/swagger-ui.css', /swagger/i],
  ['/api/archive.ndjson', /"is":"archive"/],
];

await command(async () => {
  const { values } = parseArgs({ options: { out: { type: 'string', default: root } } });
  await installed();
  await webAppBuilt();
  const folder = mkdtempSync(path.join(tmpdir(), 'pack-'));
  try {
    const whole = path.join(folder, NAME);
    mkdirSync(whole);
    await serverBuilt(path.join(whole, 'server/dist/js'));
    for (const place of PLACES) cpSync(path.join(root, place), path.join(whole, place), { recursive: true });
    const packages = runtimePackages();
    for (const place of packages)
      cpSync(path.join(root, place), path.join(whole, place), {
        recursive: true,
        // A package inside another comes by itself, where it is needed
        filter: (from) =>
          from === path.join(root, place) || !(NOT_RUN.test(from) || /\/node_modules$/.test(from)),
      });
    writeFileSync(path.join(whole, 'package.json'), `${JSON.stringify(MANIFEST, null, 2)}\n`);
    const archive = path.join(path.resolve(values.out), `${NAME}.tar.gz`);
    execFileSync('tar', ['--sort=name', '--owner=0', '--group=0', '-czf', archive, '-C', folder, NAME]);
    say(`Packed ${packages.length} packages; now it has to run …`);
    const ms = await runsElsewhere(archive);
    const line = `${path.basename(archive)}: ${(statSync(archive).size / 1024 ** 2).toFixed(1)} MB; unpacked into an empty folder it answers after ${(ms / 1000).toFixed(1)} s, with Node alone`;
    say(`${line}\nSHA-256 ${createHash('sha256').update(readFileSync(archive)).digest('hex')}`);
    keepFigures('npm run pack', [line]);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

/** Folders of the packages that the compiled server loads, below the root. */
function runtimePackages() {
  const listed = execFileSync(
    'npm',
    ['ls', '--workspace', '@mortisect/server', '--omit=dev', '--all', '--parseable'],
    { cwd: root, encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'], maxBuffer: 64 * 1024 ** 2 },
  );
  return listed
    .trim()
    .split('\n')
    .map((place) => path.relative(root, place))
    .filter((place) => place.startsWith('node_modules/') || place.includes('/node_modules/'))
    .filter((place) => {
      const name = place.split('node_modules/').at(-1) ?? '';
      return (
        !name.startsWith('@mortisect/') && !ONLY_TO_BUILD.test(name) && existsSync(path.join(root, place))
      );
    });
}

/** @returns ms until it answers */
async function runsElsewhere(archive) {
  const folder = mkdtempSync(path.join(tmpdir(), 'unpacked-'));
  let child = null;
  try {
    execFileSync('tar', ['-xzf', archive, '-C', folder]);
    const from = performance.now();
    child = spawn(
      process.execPath,
      [
        'server/dist/js/main.mjs',
        '--demo',
        '--data',
        path.join(folder, 'data'),
        '--port',
        '0',
        '--copies',
        'none',
      ],
      // Node, and nothing of this folder
      { cwd: path.join(folder, NAME), env: { LOG_LEVEL: 'error' }, stdio: ['ignore', 'pipe', 'inherit'] },
    );
    const url = await addressOf(child);
    const ms = performance.now() - from;
    for (const [at, wanted] of ASKED) {
      const answer = await fetch(url + at);
      const text = await answer.text();
      if (!answer.ok || !wanted.test(text))
        throw new StepFailed(`The packed server answers ${at} with ${answer.status}: ${text.slice(0, 300)}`);
    }
    const put = (at, type, body) =>
      fetch(url + at, { method: 'PUT', headers: { 'Content-Type': type, 'X-Device-Id': DEVICE }, body });
    await put(`/api/devices/${DEVICE}`, 'application/json', JSON.stringify({ name: 'Wall crew' }));
    const picture = readFileSync(path.join(root, 'client/dist/icon-192.png'));
    const photo = await put('/api/photos/0193f000-0000-7000-8000-0000000000ab', 'image/png', picture);
    if (!photo.ok) throw new StepFailed(`The packed server takes no photo: ${await photo.text()}`);
    return ms;
  } finally {
    child?.kill('SIGKILL');
    rmSync(folder, { recursive: true, force: true });
  }
}

function addressOf(child) {
  return new Promise((resolve, reject) => {
    child.stdout.on('data', (text) => {
      const url = /answers at (\S+)/.exec(String(text))?.[1];
      if (url) resolve(url);
    });
    child.once('exit', (code) => reject(new StepFailed(`The packed server ended (exit code ${code}).`)));
  });
}
