import { defineConfig } from '@playwright/test';

/** `npm run harden` walks this one: it needs root and two networks of its own (`scripts/field.mjs`). */
export default defineConfig({
  testDir: 'field',
  outputDir: 'results',
  expect: { timeout: 30_000 },
  reporter: [['list']],
  use: { actionTimeout: 30_000 },
});
