/** One room of the core with its own tests, as it is changed one place at a time. @see scripts/mutants.mjs */
module.exports = {
  ...require('./core/jest.config.cjs'),
  rootDir: 'core',
  testMatch: [`<rootDir>/src/${process.env.MUTANTS_ROOM}/**/*.test.ts`],
  testTimeout: 60_000,
};
