/** One run for all workspaces. */
module.exports = {
  projects: ['<rootDir>/core', '<rootDir>/contracts', '<rootDir>/server', '<rootDir>/client'],
};
