// What must hold before every commit: types, lint, boundaries, unit tests, and the browser journeys whose turn it is. Installs what is missing
// first. `CHECK=wide`, as in .ci/run, walks them at both sizes, and a longer monkey; `npm run long` walks all.
import { existsSync } from 'node:fs';
import { cpus } from 'node:os';
import { CHROMIUM, CHROMIUM_PACKAGE } from './browser.mjs';
import { keepFigures } from './figures.mjs';
import { command, installed, run, StepFailed, say, webAppBuilt } from './steps.mjs';
import { journeysOf, TURNS, turnOfCheck } from './turns.mjs';

/** Actions of the monkey at a size, and whether what holds at both sizes is walked at both. */
const [ACTIONS, SIZES] = process.env.CHECK === 'wide' ? [500, 'both'] : [100, 'one'];
const seconds = {};

await command(async () => {
  const from = Date.now();
  await installed();
  await chromiumInstalled();
  // One core checks while the other runs the unit tests.
  say('Types, lint and boundaries, beside the unit tests …');
  const unit = step('Unit tests', 'npm', ['run', '--silent', 'unit'], { together: true });
  // Both run to their end and tell what they found, then the first that failed ends the run.
  const failed = (await Promise.allSettled([checks(), unit])).find(({ status }) => status === 'rejected');
  if (failed) throw failed.reason;
  await timed('web app', webAppBuilt);
  const turn = turnOfCheck();
  const journeys = journeysOf(turn);
  say(`\n▸ Browser journeys of turn ${turn + 1} of ${TURNS.length}: ${journeys.join(', ')}`);
  await step('Browser journeys', 'npm', ['run', '--silent', 'journeys'], {
    env: { JOURNEYS: journeys.join(' '), TURN: String(turn + 1), MONKEY_ACTIONS: String(ACTIONS), SIZES },
  });
  seconds.all = (Date.now() - from) / 1000;
  const parts = Object.entries(seconds).map(([what, s]) => `${what} ${s.toFixed(0)}`);
  keepFigures(process.env.CHECK === 'wide' ? '.ci/run' : 'npm test', [
    `seconds on ${cpus().length} cores: ${parts.join(', ')}`,
    `journeys: ${journeys.join(', ')}; ${(SIZES === 'both' ? 2 : 1) * ACTIONS} actions of the monkey`,
  ]);
  say(
    `\n✓ All of it holds (${Math.round(seconds.all)} s). The other journeys take their turns, or all in npm run long.`,
  );
});

async function checks() {
  await step('Types', 'npm', ['run', '--silent', 'typecheck'], { together: true });
  await step('Lint', 'npm', ['run', '--silent', 'lint'], { together: true });
  await step('Module boundaries', process.execPath, ['scripts/check-boundaries.mjs'], { together: true });
}

async function step(what, program, args, options) {
  await timed(what, () => run(what, program, args, options));
  say(`  ${what}: ${seconds[what].toFixed(1)} s`);
}

async function timed(what, work) {
  const from = Date.now();
  await work();
  seconds[what] = (Date.now() - from) / 1000;
}

async function chromiumInstalled() {
  if (existsSync(CHROMIUM)) return;
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) {
    throw new StepFailed(
      `Chromium is missing at ${CHROMIUM}. Install the Debian package “${CHROMIUM_PACKAGE}”.`,
    );
  }
  say('Installing Chromium from Debian …');
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  const stdio = ['ignore', 'ignore', 'inherit'];
  await run('Updating the package list', 'apt-get', ['update', '-qq'], { env, stdio });
  await run(
    'Installing Chromium',
    'apt-get',
    ['install', '-y', '-qq', '--no-install-recommends', CHROMIUM_PACKAGE],
    { env, stdio },
  );
}
