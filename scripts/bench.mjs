// Prints the figures that matter: the core's speed, the weight of the web app, how fast it starts and answers. Not a test.
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { launchOptions, nameDevice, PHONE } from './browser.mjs';
import { command, installed, root, run, say, webAppBuilt } from './steps.mjs';

const SCRIPTS = path.join(root, 'client/dist/_expo/static/js/web');

await command(async () => {
  await installed();
  await webAppBuilt();
  say(
    `\nNode ${process.versions.node}, ${cpus().length} × ${cpus()[0]?.model.trim() ?? 'unknown processor'}\n`,
  );
  await run('Cut position', process.execPath, ['--import', 'tsx', 'scripts/bench-core.ts']);
  weightOfWebApp();
  await startsOfDemo();
});

/** Weight of scripts of the web app, raw and as they go over the wire. */
function size(names) {
  const all = names.map((name) => readFileSync(path.join(SCRIPTS, name)));
  const raw = all.reduce((sum, file) => sum + file.length, 0);
  const zipped = all.reduce((sum, file) => sum + gzipSync(file, { level: 9 }).length, 0);
  return `${kb(raw)} raw, ${kb(zipped)} gzip`;
}

function weightOfWebApp() {
  const files = readdirSync(SCRIPTS).filter((name) => name.endsWith('.js'));
  say(
    `Web app, entry bundle: ${size(files.filter((name) => name.startsWith('entry-')))}  (aim: at most 500 KB gzip)`,
  );
  say(`Web app, all script:   ${size(files)}, in ${files.length} files`);
}

function kb(bytes) {
  return `${(bytes / 1000).toFixed(0)} KB`;
}

async function startsOfDemo() {
  const { startServer, stopServer } = await import('./server.mjs');
  const folder = mkdtempSync(path.join(tmpdir(), 'bench-'));
  const args = ['--demo', '--data', folder, '--port', '0'];
  const timed = async () => {
    const from = performance.now();
    const started = await startServer(args, { quiet: true });
    return { ...started, seconds: (performance.now() - from) / 1000 };
  };
  try {
    const cold = await timed();
    await stopServer(cold.child);
    say(`Demo, cold start (makes and fills the database): ${cold.seconds.toFixed(1)} s`);
    const warm = [];
    for (let i = 0; i < 5; i++) {
      const { child, seconds } = await timed();
      warm.push(seconds);
      await stopServer(child);
    }
    say(`Demo, warm start: ${spread(warm, 1)} s  (aim: under 5 s)`);
    const { child, url } = await timed();
    try {
      const { seconds, scripts } = await firstLoads(url);
      say(`First load to usable Round, 390×844, 4× CPU throttling: ${spread(seconds, 1)} s`);
      say(`Script that this first load takes: ${size(scripts)}`);
    } finally {
      await stopServer(child);
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Scripts that a first load of Round asks for, and the seconds from asking for the page with nothing cached until a tree of the round can be tapped. */
async function firstLoads(url) {
  const { chromium } = await import('@playwright/test');
  const browser = await chromium.launch(launchOptions);
  const seconds = [];
  const scripts = new Set();
  try {
    const named = await browser.newContext();
    await nameDevice(await named.newPage(), url);
    const device = await named.storageState();
    for (let i = 0; i < 5; i++) {
      const context = await browser.newContext({
        viewport: PHONE,
        storageState: device,
      });
      const fresh = await context.newPage();
      fresh.on('response', (response) => {
        const name = decodeURIComponent(path.posix.basename(new URL(response.url()).pathname));
        if (name.endsWith('.js')) scripts.add(name);
      });
      const devtools = await context.newCDPSession(fresh);
      await devtools.send('Emulation.setCPUThrottlingRate', { rate: 4 });
      const from = performance.now();
      await fresh.goto(`${url}/round`, { waitUntil: 'commit' });
      await fresh.getByRole('link', { name: /Lee wall 07/ }).click({ trial: true });
      seconds.push((performance.now() - from) / 1000);
      await context.close();
    }
  } finally {
    await browser.close();
  }
  return { seconds, scripts: [...scripts] };
}

/** “median (least–most)”. */
function spread(values, digits) {
  const sorted = [...values].sort((a, b) => a - b);
  const at = (share) => sorted[Math.round(share * (sorted.length - 1))].toFixed(digits);
  return `${at(0.5)} (${at(0)}–${at(1)})`;
}
