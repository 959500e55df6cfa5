/** One-way doors between the wings: core <- words <- contract <- db <- server; core, words, contract <- web; core, words <- cli. */
const wing = (name) => `^src/${name}/`;
const only = (from, allowed) => ({
  name: `${from}-doors`,
  comment: `src/${from} may import only: ${[from, ...allowed].join(', ')}`,
  severity: 'error',
  from: { path: wing(from), pathNot: '\\.test\\.tsx?$' },
  to: { path: '^src/', pathNot: [from, ...allowed].map(wing) },
});

/** Folders of the core from the ground up: each may import only from those before it, and from files of the core itself. */
const floors = [
  'units',
  'numerics',
  'springs',
  'geometry',
  'kinds',
  'machine',
  'document',
  'estimate',
  'adjusting',
  'planning',
  'sag',
  'scales',
  'stance',
  'lab',
  'rack',
  'gauge',
  'calculation',
  'margins',
  'figures',
  'judgement',
  'findings',
  'book',
  'kits',
  'analysis',
];

/** Folders of the web from the ground up, features after what they share, pages and the shell last. */
const webFloors = [
  'api',
  'features/links',
  'workers',
  'features/speech',
  'jobStore',
  'ui',
  'charts',
  'drawing',
  'features/conflict',
  'features/doubt',
  'features/gauge',
  'features/job',
  'features/sums',
  'features/finding',
  'forms',
  'features/bays',
  'features/logbook',
  'features/ratio',
  'features/suspension',
  'features/lab',
  'features/rack',
  'features/kits',
  'features/sheet',
  'features/aboard',
  'features/intake',
  'features/prep',
  'features/ride',
  'features/rings',
  'features/scales',
  'features/stance',
  'features/turn',
  'features/finish',
  'features/measure',
  'features/plan',
  'features/setup',
  'features/sag',
  'pages',
  'app',
];

/** Rules that keep each of these folders of a wing from importing what stands above it, and any other folder out. */
const storeys = (of, all) => [
  ...all.slice(0, -1).map((floor, k) => ({
    name: `${of}-${floor.replace('/', '-')}-imports-nothing-above`,
    severity: 'error',
    from: { path: wing(`${of}/${floor}`), pathNot: '\\.test\\.tsx?$' },
    to: { path: all.slice(k + 1).map((one) => wing(`${of}/${one}`)) },
  })),
  {
    name: `${of}-has-no-other-folders`,
    comment: 'A new folder takes its place in the list of floors.',
    severity: 'error',
    from: { path: `^src/${of}/[^/]+/`, pathNot: all.map((one) => wing(`${of}/${one}`)) },
    to: {},
  },
];

module.exports = {
  forbidden: [
    only('core', []),
    ...storeys('core', floors),
    ...storeys('web', webFloors),
    {
      name: 'analysis-is-the-door',
      comment:
        'What the core makes of a job is asked of analyse(record): page, server and command take the rest as it is given there.',
      severity: 'error',
      from: { path: '^src/(web|server|cli|words|db)/', pathNot: '\\.test\\.tsx?$' },
      to: {
        path: '^src/core/(planning/answer|judgement/nextAction)\\.ts$',
        dependencyTypesNot: ['type-only'],
      },
    },
    only('contract', ['core', 'words']),
    only('db', ['core', 'contract']),
    only('server', ['core', 'contract', 'db']),
    only('words', ['core']),
    only('web', ['core', 'contract', 'words']),
    only('cli', ['core', 'words']),
    {
      name: 'core-is-pure',
      comment: 'The core imports no package but fraction.js, and nothing of Node.',
      severity: 'error',
      from: { path: wing('core'), pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['npm', 'npm-dev', 'core'], pathNot: 'fraction\\.js' },
    },
    {
      name: 'joi-stays-on-the-server',
      comment: 'Joi is too heavy for the page: the web takes types of the contract, never its schemas.',
      severity: 'error',
      from: { path: wing('web') },
      to: { path: '^src/contract/schemas/' },
    },
    {
      name: 'plotly-behind-charts',
      severity: 'error',
      from: { path: '^src/', pathNot: '^src/web/charts/' },
      to: { path: 'plotly' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'resolvable',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^virtual:' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'] },
  },
};
