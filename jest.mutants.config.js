/** One room of the core, or one folder of server or client, with its own tests, as it is changed one place at a time. @see scripts/mutants.mjs */
const [workspace, ...folder] = process.env.MUTANTS_FOLDER.split('/');
module.exports = {
  ...require(`./${workspace}/jest.config${workspace === 'client' ? '' : '.cjs'}`),
  rootDir: workspace,
  testMatch: [`<rootDir>/${folder.join('/')}/**/*.test.ts`],
  testTimeout: 60_000,
};
