const SCREENS = 'today|formulas|plan|stove|bottling|labels|shelf|records|bench|kitchen|account';

/** What each package may import: web → contract → core and server → contract → core, never up, never round, core nothing at all. */
module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-imports-nothing',
      severity: 'error',
      comment:
        'But the library that writes the letters of other scripts in Latin ones, and the one that nouns are declared with.',
      from: { path: '^core/src' },
      to: { pathNot: '^(core/src|node_modules/(@sindresorhus/transliterate|zod))' },
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
      name: 'screens-never-import-each-other',
      severity: 'error',
      comment: 'What two screens show of a noun belongs to parts/, what they read to data/.',
      from: { path: `^web/src/(${SCREENS})/` },
      to: { path: `^web/src/(${SCREENS})/`, pathNot: '^web/src/$1/' },
    },
    {
      name: 'only-the-shell-imports-screens',
      severity: 'error',
      from: { path: '^web/src/(parts|data|ui|workers)/' },
      to: { path: `^web/src/(shell|${SCREENS})/` },
    },
    {
      name: 'screens-do-not-import-the-shell',
      severity: 'error',
      from: { path: `^web/src/(${SCREENS})/` },
      to: { path: '^web/src/shell/' },
    },
    {
      name: 'data-shows-nothing',
      severity: 'error',
      from: { path: '^web/src/(data|workers)/' },
      to: { path: '^web/src/(parts|ui)/' },
    },
    {
      name: 'ui-knows-no-data',
      severity: 'error',
      comment: 'The kit has no data and no nouns.',
      from: { path: '^web/src/ui/' },
      to: { path: '^(web/src/(parts|data|workers)/|contract/)' },
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
    {
      name: 'server-folders-one-way',
      severity: 'error',
      comment: 'No two folders of the server import each other, straight or round about.',
      scope: 'folder',
      from: { path: '^server/src/' },
      to: { circular: true },
    },
    { name: 'resolvable', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.check.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['source', 'import', 'node', 'default'],
    },
  },
};
