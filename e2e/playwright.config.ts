import { defineConfig } from '@playwright/test';
import { launchOptions } from '../scripts/browser.mjs';

/** The real server and Debian's Chromium; nothing is fetched and nothing outside this machine is asked. */
export default defineConfig({
  testDir: '.',
  outputDir: 'results',
  workers: 2,
  fullyParallel: true,
  timeout: 90_000,
  expect: { timeout: 10_000 },
  // What fails is walked once more, with a trace that costs half the time; passing then is a fault as well
  retries: 1,
  failOnFlakyTests: true,
  reporter: [['list'], ['./endOfJourneys.ts']],
  globalSetup: './prepare.ts',
  use: {
    serviceWorkers: 'block',
    actionTimeout: 10_000,
    trace: 'on-first-retry',
    screenshot: 'only-on-failure',
    launchOptions,
  },
});
