import { readdirSync } from 'node:fs';
import { defineConfig } from '@playwright/test';
import { launchOptions } from '../scripts/browser.mjs';
import { ALWAYS, ALWAYS_WIDE, TURNS } from '../scripts/turns.mjs';

const every = readdirSync(import.meta.dirname).flatMap(
  (file) => /^(.+)\.spec\.ts$/.exec(file)?.slice(1) ?? [],
);
const listed = [...new Set([...ALWAYS, ...ALWAYS_WIDE, ...TURNS.flat()])];
if ([...listed].sort().join() !== every.sort().join())
  throw new Error(`scripts/turns.mjs names ${listed}; the journeys are ${every}.`);
/** `JOURNEYS="path ways"` walks those; by itself all are walked. */
const walked = process.env.JOURNEYS?.split(' ') ?? every;

/** The real server and Debian's Chromium; nothing is fetched and nothing outside this machine is asked. */
export default defineConfig({
  testDir: '.',
  testMatch: walked.map((name) => `${name}.spec.ts`),
  outputDir: 'results',
  workers: 2,
  fullyParallel: true,
  // A machine that others share may stand still for ten seconds: how long it takes is no fault of the page
  timeout: 240_000,
  expect: { timeout: 30_000 },
  // What fails is walked once more, with a trace that costs half the time; passing then is a fault as well
  retries: 1,
  failOnFlakyTests: true,
  reporter: [['list'], ['./endOfJourneys.ts']],
  globalSetup: './prepare.ts',
  use: {
    locale: 'en-GB',
    serviceWorkers: 'block',
    actionTimeout: 30_000,
    trace: 'on-first-retry',
    screenshot: 'only-on-failure',
    launchOptions,
  },
});
