// Small changes to the code, one at a time: does a test notice? `npm run mutants -- ROOM` (scripts/mutants.mjs) sets room and sample.
export default {
  testRunner: 'jest',
  jest: { projectType: 'custom', configFile: 'jest.mutants.config.js', enableFindRelatedTests: true },
  coverageAnalysis: 'perTest',
  // Words are not what these tests are about
  mutator: { excludedMutations: ['StringLiteral', 'TemplateLiteral', 'Regex', 'OptionalChaining'] },
  reporters: ['json', 'clear-text', 'progress-append-only'],
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false, reportMutants: false },
  jsonReporter: { fileName: process.env.MUTANTS_REPORT },
  concurrency: 2,
  // A change that lets an array grow without end runs out of memory, after which the runner is started anew; with more it would end the whole run
  testRunnerNodeArgs: ['--max-old-space-size=900'],
  timeoutMS: 20_000,
  dryRunTimeoutMinutes: 20,
  allowEmpty: true,
  plugins: ['@stryker-mutator/jest-runner'],
  ignorePatterns: ['client/dist', 'e2e', 'docs/screenshots', '/data', '.git'],
};
