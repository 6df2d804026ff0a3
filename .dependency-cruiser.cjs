/** Who may import whom. scripts/check-boundaries.mjs plants forbidden imports and expects each to be found. */
const test = '\\.test\\.tsx?$';

/** The rooms of the core, in the order of the work: a room uses only rooms before it. */
const rooms = [
  'refusal',
  'measure',
  'reason',
  'register',
  'settings',
  'tree',
  'sight',
  'survey',
  'disorders',
  'diagnosis',
  'faults',
  'cuts',
  'handling',
  'crown',
  'residual',
  'blades',
  'shaping',
  'plan',
  'triage',
  'weather',
  'stage',
  'timing',
  'campaign',
  'aftercare',
  'records',
  'present',
  'run',
  'rota',
];

module.exports = {
  forbidden: [
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^core/src', pathNot: test },
      to: { pathNot: '^core/src|node_modules/(zod|ohash|pure-rand|suncalc|ml-matrix)/' },
    },
    ...rooms.slice(0, -1).map((room, i) => ({
      name: 'core-rooms-in-order',
      severity: 'error',
      from: { path: `^core/src/${room}/` },
      to: { path: `^core/src/(${rooms.slice(i + 1).join('|')})/` },
    })),
    {
      name: 'core-room-has-one-door',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/' },
      to: { path: '^core/src/[^/]+/', pathNot: '^core/src/($1/|[^/]+/index\\.ts$)' },
    },
    {
      name: 'contracts-on-core',
      severity: 'error',
      from: { path: '^contracts/src', pathNot: test },
      to: { pathNot: '^(contracts|core)/src|node_modules/(zod|zod-openapi)/' },
    },
    {
      name: 'words-before-applications',
      severity: 'error',
      from: { path: '^words/src', pathNot: test },
      to: { pathNot: '^(words|contracts|core)/|node_modules/(intl-messageformat|syllable)/' },
    },
    { name: 'client-not-server', severity: 'error', from: { path: '^client' }, to: { path: '^server' } },
    { name: 'server-not-client', severity: 'error', from: { path: '^server' }, to: { path: '^client' } },
    // What runs by somebody else’s list of packages stops when they drop it
    {
      name: 'package-declared',
      severity: 'error',
      from: { path: '^(server|client)/', pathNot: `${test}|/testing/` },
      to: { dependencyTypes: ['npm-no-pkg', 'npm-unknown'] },
    },
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    // Ours only: what stands in the dist of a package is imported like anything else
    exclude: { path: '^(client|server)/(dist|public|drizzle|\\.expo)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'] },
  },
};
