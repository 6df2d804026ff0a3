// Everything that must hold: types, lint, boundaries, unit tests, browser journeys. Installs what is missing first.
import { existsSync } from 'node:fs';
import { command, installed, run, StepFailed, say, webAppBuilt } from './steps.mjs';

export const CHROMIUM = '/usr/bin/chromium';

await command(async () => {
  const from = Date.now();
  await installed();
  await chromiumInstalled();
  await step('Types', 'npm', ['run', '--silent', 'typecheck']);
  await step('Lint', 'npm', ['run', '--silent', 'lint']);
  await step('Module boundaries', 'npm', ['run', '--silent', 'boundaries']);
  await step('A planted forbidden import is found', process.execPath, ['scripts/check-boundaries.mjs']);
  await step('Unit tests', 'npm', ['run', '--silent', 'unit', '--', '--silent=false']);
  await webAppBuilt();
  await step('Browser journeys', 'npm', ['run', '--silent', 'journeys']);
  say(`\n✓ All of it holds (${Math.round((Date.now() - from) / 1000)} s).`);
});

async function step(what, program, args) {
  const from = Date.now();
  say(`\n▸ ${what}`);
  await run(what, program, args);
  say(`  ${what}: ${((Date.now() - from) / 1000).toFixed(1)} s`);
}

async function chromiumInstalled() {
  if (existsSync(CHROMIUM)) return;
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) {
    throw new StepFailed('Chromium is missing at /usr/bin/chromium. Install the Debian package “chromium”.');
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
