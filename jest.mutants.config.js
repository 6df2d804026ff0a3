/** One room of the core with its own tests, or one folder of server or client with the tests that reach it, as it is changed one place at a time. @see scripts/mutants.mjs */
const [workspace, ...folder] = process.env.MUTANTS_FOLDER.split('/');
const config = require(`./${workspace}/jest.config${workspace === 'client' ? '' : '.cjs'}`);
module.exports = {
  ...config,
  // Where the preset alone names it, what makes the changes would take Node
  testEnvironment: config.preset
    ? require(`${config.preset}/jest-preset.js`).testEnvironment
    : config.testEnvironment,
  rootDir: workspace,
  testMatch: [
    `<rootDir>/${workspace === 'server' ? 'src' : folder.join('/')}/**/*.test.ts?(x)`,
    // Pages read through what lies under them
    ...(workspace === 'client' ? ['<rootDir>/src/places/{,plan/,shell/}*.test.tsx'] : []),
  ],
  testPathIgnorePatterns: [
    // Plants a row in the core, which the copy that is changed takes from its own place
    'newDisorder',
    // Start processes, which no change reaches, or ask what the disk does
    '<rootDir>/src/(processes|door|start|upgrade)\\.test',
    '<rootDir>/src/store/',
    // Notices failures of the server alone, in minutes
    'fuzz',
  ],
  testSequencer: require.resolve('./jest.mutants.order.js'),
  testTimeout: 60_000,
};
