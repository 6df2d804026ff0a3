/** One room of the core, or one folder of server or client, with its own tests, as it is changed one place at a time. @see scripts/mutants.mjs */
const [workspace, ...folder] = process.env.MUTANTS_FOLDER.split('/');
const config = require(`./${workspace}/jest.config${workspace === 'client' ? '' : '.cjs'}`);
module.exports = {
  ...config,
  // Where the preset alone names it, what makes the changes would take Node
  testEnvironment: config.preset
    ? require(`${config.preset}/jest-preset.js`).testEnvironment
    : config.testEnvironment,
  rootDir: workspace,
  testMatch: [`<rootDir>/${folder.join('/')}/**/*.test.ts`],
  testTimeout: 60_000,
};
