// What hostile days do: `npm run harden [-- --only cuts|kills|copies|unwritable|field|fair|imports|load|three] [--cuts 30] [--kills 200]`. Power cuts, kills, a full disk, a disk that takes nothing any more, a phone in the field, the
// largest inputs, large imports. For a power cut a server whose data lie on a disk of its own writes as fast as it can; the disk is copied as it is right after an answer,
// without what the machine still held in memory, and a server on the copy is asked for every record that was answered for.
import { execFileSync, spawnSync } from 'node:child_process';
import { cpSync, existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { v7 as newId } from 'uuid';
import { fairComputing } from './fair.mjs';
import { phoneInTheField } from './field.mjs';
import { keepFigures } from './figures.mjs';
import { largeImports } from './imports.mjs';
import { killedAmongThree, load } from './load.mjs';
import { startServer, stopServer } from './server.mjs';
import { command, installed, root, StepFailed, say, serverBuilt, webAppBuilt } from './steps.mjs';

const DISK_MB = 400;
const AT_ONCE = 4;
/** How long a server writes before it is killed, ms at most. */
const LIVES_MS = 800;
const DEVICE = newId();
/** What people look at. */
const READ = ['trees', 'open-work', 'log?limit=20', 'round', 'run', 'timing', 'archive.ndjson', 'ready'];

await command(async () => {
  await installed();
  await webAppBuilt();
  await serverBuilt();
  const { values } = parseArgs({
    options: {
      cuts: { type: 'string', default: '3' },
      kills: { type: 'string', default: '20' },
      only: { type: 'string' },
    },
  });
  const parts = {
    cuts: () => powerCuts(Number(values.cuts)),
    kills: () => kills(Number(values.kills)),
    copies: fullDisk,
    unwritable: diskThatTakesNothing,
    field: phoneInTheField,
    fair: fairComputing,
    imports: largeImports,
    load,
    three: killedAmongThree,
  };
  if (values.only !== undefined && !(values.only in parts))
    throw new StepFailed(`--only names one of ${Object.keys(parts).join(', ')}.`);
  for (const [name, prove] of Object.entries(parts)) {
    if (values.only !== undefined && values.only !== name) continue;
    const line = await prove();
    if (line === null) continue;
    say(line);
    keepFigures(`npm run harden -- --only ${name}`, [line]);
  }
});

/** Whether this machine lets disks of its own be made; what cannot be shown is said. */
function canMount(what) {
  const can = process.getuid?.() === 0 && existsSync('/dev/loop-control');
  if (!can) say(`${what}: skipped. It needs root and loop devices, to make a disk of its own.`);
  return can;
}

/** @returns what was lost, in one line; null where this machine cannot show it */
async function powerCuts(count) {
  if (!canMount('Power cuts')) return null;
  const folder = mkdtempSync(path.join(tmpdir(), 'power-cut-'));
  try {
    const cuts = [];
    for (let i = 0; i < count; i++) cuts.push(await cut(path.join(folder, String(i)), 40 + 60 * i));
    const sum = (of) => cuts.reduce((total, round) => total + round[of], 0);
    const line = `${cuts.length} power cuts: ${sum('acknowledged')} writes and ${sum('photos')} photos acknowledged, ${sum('lost')} lost; ${Math.round(sum('acknowledged') / (sum('ms') / 1000))} writes a second`;
    if (sum('lost') > 0) throw new StepFailed(`${line}. What was acknowledged is not there after the cut.`);
    return line;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Kills a server in the middle of its writing, again and again on one folder, and looks for what it had answered for. */
async function kills(count) {
  const folder = mkdtempSync(path.join(tmpdir(), 'kills-'));
  const acknowledged = { ids: [], photos: [] };
  const options = ['--demo', '--data', folder, '--port', '0', '--copies', 'none'];
  try {
    for (let i = 0; i < count; i++) {
      const { child, url } = await startServer(options, { quiet: true });
      const dead = new Promise((resolve) => child.once('exit', resolve));
      setTimeout(() => child.kill('SIGKILL'), (i * 97) % LIVES_MS);
      // It ends when nobody answers any more
      await write(url, Number.POSITIVE_INFINITY, acknowledged).catch(() => undefined);
      await dead;
    }
    const lost = await missing(folder, acknowledged);
    const line = `${count} kills in the middle of writing: ${acknowledged.ids.length} writes and ${acknowledged.photos.length} photos acknowledged, ${lost} lost`;
    if (lost > 0) throw new StepFailed(`${line}.`);
    return line;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Writes so many records, cuts, and looks for them. */
async function cut(folder, writes) {
  const [disk, copy] = ['disk.img', 'copy.img'].map((name) => path.join(folder, name));
  const [before, after] = ['before', 'after'].map((name) => path.join(folder, name));
  for (const place of [before, after]) mkdirSync(place, { recursive: true });
  execFileSync('truncate', ['-s', `${DISK_MB}M`, disk]);
  execFileSync('mkfs.ext4', ['-q', '-F', disk]);
  // Nothing reaches the disk by itself while this runs
  execFileSync('mount', ['-o', 'loop,commit=300', disk, before]);
  const { child, url } = await startServer(['--demo', '--data', path.join(before, 'data'), '--port', '0'], {
    quiet: true,
  });
  let acknowledged;
  let ms;
  try {
    const since = Date.now();
    acknowledged = await write(url, writes);
    ms = Date.now() - since;
    // Without what the machine holds in memory: the file of the disk has what reached it
    cpSync(disk, copy);
  } finally {
    child.kill('SIGKILL');
    await new Promise((resolve) => child.once('exit', resolve));
    execFileSync('umount', [before]);
  }
  execFileSync('mount', ['-o', 'loop', copy, after]);
  try {
    const lost = await missing(path.join(after, 'data'), acknowledged);
    return { acknowledged: acknowledged.ids.length, photos: acknowledged.photos.length, lost, ms };
  } finally {
    execFileSync('umount', [after]);
    rmSync(folder, { recursive: true, force: true });
  }
}

/** A copy for which there is no room: it says so, ends with a fault, and leaves the copy of before. */
function fullDisk() {
  if (!canMount('A copy without room')) return null;
  const folder = mkdtempSync(path.join(tmpdir(), 'full-disk-'));
  const small = path.join(folder, 'copies');
  mkdirSync(small, { recursive: true });
  const data = path.join(folder, 'data');
  const backup = (file) =>
    spawnSync(process.execPath, ['server/dist/js/main.mjs', '--backup', file, '--data', data], {
      cwd: root,
      encoding: 'utf8',
    });
  execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=64k', 'tmpfs', small]);
  try {
    const first = backup(path.join(small, 'one.gz'));
    if (first.status !== 0) throw new StepFailed(`A copy could not be made: ${first.stderr}`);
    execFileSync('dd', ['if=/dev/zero', `of=${path.join(small, 'filler')}`, 'bs=1k'], { stdio: 'ignore' });
  } catch (error) {
    // dd ends with a fault when the disk is full, as it is meant to be
    if (error instanceof StepFailed) throw error;
  }
  try {
    const second = backup(path.join(small, 'one.gz'));
    const left = readdirSync(small).sort();
    if (second.status === 0 || !/no room/i.test(second.stderr) || left.join() !== 'filler,one.gz')
      throw new StepFailed(
        `A full disk was not told: ${second.stderr || 'the copy was made'}; ${left.join(', ')}`,
      );
    return 'a copy without room: refused in words, the one of before stands';
  } finally {
    execFileSync('umount', [small]);
    rmSync(folder, { recursive: true, force: true });
  }
}

/** The machine itself turns a disk read-only under a server, as it does over a fault: reads go on, and writes say why. */
async function diskThatTakesNothing() {
  if (!canMount('A disk that takes nothing')) return null;
  const folder = mkdtempSync(path.join(tmpdir(), 'read-only-'));
  const disk = path.join(folder, 'disk');
  mkdirSync(disk);
  const image = path.join(folder, 'image');
  execFileSync('truncate', ['-s', `${DISK_MB}M`, image]);
  execFileSync('mkfs.ext4', ['-q', image]);
  execFileSync('mount', ['-o', 'loop,errors=remount-ro', image, disk]);
  let child = null;
  try {
    const started = await startServer(
      ['--demo', '--data', path.join(disk, 'data'), '--port', '0', '--copies', 'none'],
      { quiet: true },
    );
    child = started.child;
    const { url } = started;
    await put(`${url}/api/devices/${DEVICE}`, JSON.stringify({ name: 'Wall crew' }));
    const write = async () => {
      const answer = await put(
        `${url}/api/actions/${newId()}`,
        JSON.stringify({ kind: 'roundPaused', at: new Date().toISOString() }),
      );
      return { status: answer.status, type: (await answer.json()).type };
    };
    const before = await write();
    const device = execFileSync('findmnt', ['-no', 'SOURCE', disk], { encoding: 'utf8' }).trim();
    writeFileSync(`/sys/fs/ext4/${path.basename(device)}/trigger_fs_error`, 'a fault');
    const after = [await write(), await write()];
    const answers = [];
    for (let round = 0; round < 2; round++)
      for (const what of READ) answers.push((await fetch(`${url}/api/${what}`)).status);
    const isRight =
      before.status === 200 &&
      after.every(({ status, type }) => status === 503 && type === 'read-only') &&
      answers.every((status) => status === 200);
    if (!isRight)
      throw new StepFailed(
        `A disk that takes nothing: ${JSON.stringify({ before, after, answers })}, where reads should go on and writes say why.`,
      );
    return `a disk that takes nothing any more: ${answers.length} of ${answers.length} reads answered, each write refused with its reason`;
  } finally {
    if (child) await stopServer(child);
    execFileSync('umount', ['-l', disk]);
    rmSync(folder, { recursive: true, force: true });
  }
}

function put(url, body, type = 'application/json') {
  return fetch(url, { method: 'PUT', headers: { 'Content-Type': type, 'X-Device-Id': DEVICE }, body });
}

/** Ids of what the server answered for. */
async function write(url, writes, acknowledged = { ids: [], photos: [] }) {
  await put(`${url}/api/devices/${DEVICE}`, JSON.stringify({ name: 'Power cut' }));
  const { ids, photos } = acknowledged;
  const picture = await photo();
  for (let sent = 0; sent < writes; sent += AT_ONCE) {
    await Promise.all(
      Array.from({ length: AT_ONCE }, async () => {
        const id = newId();
        const body = {
          kind: 'treeSkipped',
          at: new Date().toISOString(),
          treeId: 'lee-wall-07',
          reason: 'Wet.',
        };
        if ((await put(`${url}/api/actions/${id}`, JSON.stringify(body))).ok) ids.push(id);
      }),
    );
    if (sent % 20 === 0) {
      const id = newId();
      if ((await put(`${url}/api/photos/${id}`, picture, 'image/jpeg')).ok) photos.push(id);
    }
  }
  return acknowledged;
}

async function photo() {
  const { default: sharp } = await import('sharp');
  return sharp({ create: { width: 400, height: 300, channels: 3, background: '#527a35' } })
    .jpeg()
    .toBuffer();
}

/** How many of them a server on this folder does not have. */
async function missing(data, { ids, photos }) {
  const { child, url } = await startServer(['--demo', '--data', data, '--port', '0'], { quiet: true });
  try {
    const there = new Set();
    for (let before; ; ) {
      const page = await (await fetch(`${url}/api/log?limit=200${before ? `&before=${before}` : ''}`)).json();
      for (const { entry } of page.entries) there.add(entry.recordId);
      if (!page.more) break;
      before = page.entries.at(-1).seq;
    }
    const whole = await Promise.all(
      photos.map(async (id) => {
        const answer = await fetch(`${url}/api/photos/${id}`);
        return answer.ok && (await answer.arrayBuffer()).byteLength > 100;
      }),
    );
    return ids.filter((id) => !there.has(id)).length + whole.filter((is) => !is).length;
  } finally {
    await stopServer(child);
  }
}
