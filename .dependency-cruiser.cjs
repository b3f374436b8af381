/** What each package may import: web → contract → core and server → contract → core, never up, never round, core nothing at all. */
module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-imports-nothing',
      severity: 'error',
      from: { path: '^core/src' },
      to: { pathNot: '^core/src' },
    },
    {
      name: 'contract-imports-core-and-zod',
      severity: 'error',
      from: { path: '^contract/src' },
      to: { pathNot: '^(contract/src|core/src|node_modules/zod)' },
    },
    {
      name: 'server-imports-down',
      severity: 'error',
      from: { path: '^server/src' },
      to: { path: '^(web|demo|e2e|scripts)/' },
    },
    {
      name: 'web-imports-down',
      severity: 'error',
      from: { path: '^web/src' },
      to: { path: '^(server|demo|e2e|scripts)/' },
    },
    {
      name: 'web-has-no-node',
      severity: 'error',
      from: { path: '^web/src' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'rooms-by-their-door',
      severity: 'error',
      comment: 'A room of core is entered by its index.',
      from: { path: '^core/src/([^/]+)/' },
      to: { path: '^core/src/([^/]+)/', pathNot: ['^core/src/$1/', '^core/src/[^/]+/index\\.ts$'] },
    },
    { name: 'resolvable', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.tests.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['source', 'import', 'node', 'default'],
    },
  },
};
