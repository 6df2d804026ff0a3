/** One run for all workspaces. A test waits for what it expects; how long that takes on a busy machine is no fault of it. */
module.exports = {
  projects: [
    '<rootDir>/core',
    '<rootDir>/contracts',
    '<rootDir>/words',
    '<rootDir>/server',
    '<rootDir>/client',
  ],
  // As many as there are cores: on two of them Jest would leave one idle
  maxWorkers: '100%',
  testTimeout: 180_000,
};
