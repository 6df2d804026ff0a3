/** Who may import whom. A planted forbidden import must make `npm test` fail: check that it does. */
const test = '\\.test\\.tsx?$';
module.exports = {
  forbidden: [
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^core/src', pathNot: test },
      to: {
        pathNot:
          '^core/src|node_modules/(zod|d3-array|gl-matrix|flatbush|pure-rand|date-fns|@date-fns/tz|simple-statistics|suncalc)/',
      },
    },
    {
      name: 'contracts-on-core',
      severity: 'error',
      from: { path: '^contracts/src', pathNot: test },
      to: { pathNot: '^(contracts|core)/src|node_modules/(zod|@asteasolutions/zod-to-openapi)/' },
    },
    { name: 'client-not-server', severity: 'error', from: { path: '^client' }, to: { path: '^server' } },
    { name: 'server-not-client', severity: 'error', from: { path: '^server' }, to: { path: '^client' } },
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|public|drizzle|\\.expo)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'] },
  },
};
