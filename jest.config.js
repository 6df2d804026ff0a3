/** One run for all workspaces. A test waits for what it expects; how long that takes on a busy machine is no fault of it. */
module.exports = {
  projects: ['<rootDir>/core', '<rootDir>/contracts', '<rootDir>/server', '<rootDir>/client'],
  testTimeout: 30_000,
};
