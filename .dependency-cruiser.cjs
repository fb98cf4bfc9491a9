/** Holds the table of src/README: which folder may import which. A planted violation fails `./pulpit test`. */
const only = (from, ...allowed) => ({
  name: `${from}-imports`,
  comment: `src/${from} may import only: ${[from, ...allowed].join(', ')}`,
  severity: 'error',
  from: { path: `^src/${from}/`, pathNot: '\\.test\\.tsx?$' },
  to: { path: '^src/', pathNot: `^src/(${[from, ...allowed].join('|')})/` },
});
const packages = (from, pattern) => ({
  name: `${from}-packages`,
  comment: `src/${from} may import only these packages: ${pattern}`,
  severity: 'error',
  from: { path: `^src/${from}/`, pathNot: '\\.test\\.tsx?$' },
  to: {
    dependencyTypesNot: ['local', 'localmodule', 'aliased-tsconfig'],
    pathNot: `^(src/|node_modules/(${pattern})/)`,
  },
});

module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    { name: 'no-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
    only('core'),
    only('db', 'core'),
    only('contract', 'core'),
    only('server', 'core', 'contract', 'db'),
    only('standins', 'core', 'contract', 'server'),
    only('runtime', 'core', 'contract', 'server', 'db', 'standins'),
    // A screen starts the workers it needs; what they are asked travels as data.
    only('ui', 'core', 'contract', 'workers'),
    only('app', 'core', 'contract', 'server', 'ui', 'runtime'),
    only('workers', 'core', 'contract', 'server', 'runtime'),
    packages(
      'core',
      'zod|canonicalize|@tiptap/pm|prosemirror-model|temporal-polyfill|temporal-spec|temporal-utils|ical\\.js|windows-iana|parse5|approx-string-match|diff|papaparse|@types/papaparse|micromark[^/]*|stemmer',
    ),
    // Of the second only the forms that a browser speaks.
    packages('contract', 'zod|@simplewebauthn/browser'),
    packages('db', 'knex|pg|zod|@types/pg|pg-types|graphile-worker'),
    packages(
      'ui',
      'react|@types/react|react-dom|next|@tiptap/[^/]+|radix-ui|lucide-react|comlink|zod|idb-keyval|katex|pdfjs-dist|@simplewebauthn/browser|react-easy-crop|apexcharts|react-apexcharts',
    ),
    {
      name: 'unreleased-marks',
      comment:
        'What staff write of marks before they are released is read by the use-cases of marks alone: nothing else can give it out.',
      severity: 'error',
      from: {
        path: '^src/',
        pathNot: '^src/(server/marks/|db/queries/|server/people/sweep)|\\.test\\.tsx?$',
      },
      to: { path: '^src/db/queries/(marking|second-readings|brought-marks|kept-remarks)\\.ts$' },
    },
    {
      name: 'server-only-place',
      comment: '`server-only` belongs in src/app/_request, which no job process loads',
      severity: 'error',
      from: { path: '^src/', pathNot: '^src/app/_request/' },
      to: { path: 'server-only' },
    },
  ],
  required: [
    {
      name: 'routes-through-endpoint',
      comment:
        'A route goes through src/app/_request/endpoint: origin, visitor, limits and errors are its work.',
      severity: 'error',
      module: { path: '^src/app/.+/route\\.ts$' },
      to: { path: '^src/app/_request/(endpoint|recording)\\.ts$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
