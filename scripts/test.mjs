// Everything that must hold: types, lint, boundaries, unit tests, browser journeys. Installs what is missing first.
import { existsSync } from 'node:fs';
import { CHROMIUM } from './browser.mjs';
import { command, installed, run, StepFailed, say, webAppBuilt } from './steps.mjs';

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
  await webAppBuilt();
  say('\n▸ Browser journeys');
  await step('Browser journeys', 'npm', ['run', '--silent', 'journeys']);
  say(`\n✓ All of it holds (${Math.round((Date.now() - from) / 1000)} s).`);
});

async function checks() {
  await step('Types', 'npm', ['run', '--silent', 'typecheck'], { together: true });
  await step('Lint', 'npm', ['run', '--silent', 'lint'], { together: true });
  await step('Module boundaries', 'npm', ['run', '--silent', 'boundaries'], { together: true });
  const planted = 'Planted forbidden imports are found';
  await step(planted, process.execPath, ['scripts/check-boundaries.mjs'], { together: true });
}

async function step(what, program, args, options) {
  const from = Date.now();
  await run(what, program, args, options);
  say(`  ${what}: ${((Date.now() - from) / 1000).toFixed(1)} s`);
}

async function chromiumInstalled() {
  if (existsSync(CHROMIUM)) return;
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) {
    throw new StepFailed(`Chromium is missing at ${CHROMIUM}. Install the Debian package “chromium”.`);
  }
  say('Installing Chromium from Debian …');
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  const stdio = ['ignore', 'ignore', 'inherit'];
  await run('Updating the package list', 'apt-get', ['update', '-qq'], { env, stdio });
  await run(
    'Installing Chromium',
    'apt-get',
    ['install', '-y', '-qq', '--no-install-recommends', 'chromium'],
    { env, stdio },
  );
}
