// Import directions, as docs/architecture says: a newcomer finds a rule, a reason and its proof by folder name alone.
const path = (...names) => `^(${names.join('|')})`;

/** Each folder with what it may import from this project; everything else of the project is forbidden to it. */
const MAY = {
  'src/core': ['src/core'],
  'src/explain': ['src/explain', 'src/core'],
  'src/contracts': ['src/contracts', 'src/core'],
  'src/db': ['src/db', 'src/core'],
  'src/commands': ['src/commands', 'src/core', 'src/contracts', 'src/db', 'src/explain'],
  'src/queries': ['src/queries', 'src/core', 'src/contracts', 'src/db', 'src/explain'],
  'src/charts': ['src/charts'],
  'src/ui': ['src/ui', 'src/explain', 'src/core'],
  'src/screens': [
    'src/screens',
    'src/ui',
    'src/charts',
    'src/explain',
    'src/contracts',
    'src/core',
    'src/queries',
  ],
  'src/workers': ['src/workers', 'src/core', 'src/contracts'],
  'src/server': ['src/server', 'src/db', 'src/contracts', 'src/core', 'src/commands/kernel/command'],
  'src/app': [
    'src/app',
    'src/commands',
    'src/queries',
    'src/contracts',
    'src/explain',
    'src/server',
    'src/ui',
    'src/screens',
    'src/db',
  ],
  tools: ['tools', 'demo', 'src/(core|explain|contracts|db|commands|queries|server)'],
  demo: ['demo', 'src/(core|explain|contracts|db|commands|queries|server)'],
  bench: ['bench', 'tools', 'demo', 'src/(core|explain|contracts|db|commands|queries|server)'],
  attack: ['attack', 'tools', 'src/(core|explain|contracts|db|commands|queries|server)'],
  'checks/published': ['checks/published', 'src/(core|contracts|explain)'],
  // Outside devices and services are stand-ins, for the demo and for tests alike.
  e2e: ['e2e', 'demo/stand-ins'],
  migrations: ['migrations'],
};

/** Inside the core each part imports only what stands before it. */
const CORE = [
  'brand',
  'time',
  'quantities',
  'envelope',
  'records',
  'metering',
  'fuel',
  'walkround',
  'rules',
  'decision',
];

/** Packages that a folder may use; the others may use none of them. */
const PACKAGES = {
  'src/core': 'temporal-polyfill|suncalc|@stdlib',
  'src/explain': null,
  'src/contracts': 'zod',
  'src/db': 'kysely|pg',
  'src/commands': null,
  'src/queries': null,
  'src/charts': 'd3|react',
  'src/ui': '@mui|react|d3',
  'src/workers': 'serwist',
};

const TESTS = '\\.test\\.tsx?$';

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-orphan-imports',
      severity: 'error',
      from: {},
      // Installed by the bench alone, in a folder of its own.
      to: { couldNotResolve: true, pathNot: '^lighthouse$' },
    },
    ...Object.entries(MAY).map(([from, to]) => ({
      name: `directions-${from.replaceAll('/', '-')}`,
      severity: 'error',
      from: { path: `^${from}/`, pathNot: TESTS },
      to: { path: '^(src|tools|demo|bench|checks|e2e|migrations|attack)/', pathNot: path(...to) },
    })),
    ...CORE.map((part, at) => ({
      name: `core-${part}`,
      severity: 'error',
      from: { path: `^src/core/${part}(/|\\.ts)`, pathNot: TESTS },
      to: {
        path: path(...CORE.slice(at + 1).map((later) => `src/core/${later}(/|\\.ts)`), 'src/core/never'),
      },
    })),
    {
      name: 'one-rule-never-imports-another',
      severity: 'error',
      from: { path: '^src/core/rules/[^/]+\\.ts$', pathNot: `${TESTS}|register\\.ts$` },
      to: { path: '^src/core/rules/[^/]+\\.ts$' },
    },
    {
      name: 'temporal-and-sun-only-in-time',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '^src/core/time/' },
      to: { path: 'node_modules/(temporal-polyfill|suncalc)' },
    },
    ...Object.entries(PACKAGES).map(([from, packages]) => ({
      name: `packages-${from.replaceAll('/', '-')}`,
      severity: 'error',
      from: { path: `^${from}/`, pathNot: TESTS },
      to: { path: 'node_modules/', ...(packages === null ? {} : { pathNot: `node_modules/(${packages})` }) },
    })),
    ...['src/core', 'src/explain', 'src/contracts', 'src/charts', 'src/ui'].map((from) => ({
      name: `no-system-${from.replaceAll('/', '-')}`,
      severity: 'error',
      from: { path: `^${from}/`, pathNot: TESTS },
      to: { dependencyTypes: ['core'] },
    })),
    {
      name: 'screens-know-only-types-of-queries',
      severity: 'error',
      from: { path: '^src/screens/' },
      to: { path: '^src/queries/', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'only-data-fetches',
      severity: 'error',
      from: { path: '^src/screens/', pathNot: '^src/screens/data/' },
      to: { path: 'node_modules/dexie' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(\\.next|\\.groval|coverage)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.mts', '.mjs', '.js', '.cjs', '.json', '.css'],
    },
  },
};
