import nextVitals from 'eslint-config-next/core-web-vitals';
import tseslint from 'typescript-eslint';

const noClock = [
  { object: 'Date', property: 'now', message: 'Core takes `now` as an argument.' },
  { object: 'Math', property: 'random', message: 'Core takes its randomness as an argument.' },
];

/** The first names of our own addresses. */
const OWN = [
  'announcements',
  'attachments',
  'calendar',
  'clock',
  'courses',
  'demo',
  'discussions',
  'embeds',
  'feeds',
  'files',
  'find',
  'formats',
  'links',
  'outside',
  'readings',
  'receipts',
  'recordings',
  'settings',
  'sign-in',
  'sign-out',
  'verify',
].join('|');

const config = [
  { ignores: ['node_modules/**', '.build/**', '.pulpit/**', '.next/**', 'next-env.d.ts', 'test-results/**'] },
  // They ask about components and pages, and following every function of the core for it takes half a minute.
  ...nextVitals.map((rules) => ({ ...rules, files: ['src/{ui,app}/**/*.{ts,tsx}'] })),
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'no-console': 'off',
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': ['error', ...noClock],
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'Core takes `now` as an argument.',
        },
        {
          selector: "CallExpression[callee.object.name='Now']",
          message: 'Core takes `now` as an argument.',
        },
        {
          selector: "MemberExpression[object.name='Temporal'][property.name='Now']",
          message: 'Core takes `now` as an argument.',
        },
      ],
    },
  },
  {
    files: ['src/{ui,app,server}/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...['Literal[value=', 'TemplateElement[value.raw='].map((kind) => ({
          selector: `:not(ImportDeclaration, ExportNamedDeclaration) > ${kind}/^\\u002f(${OWN})([\\u002f?#]|$)/]`,
          message: 'Addresses of our own are made by src/contract/addresses.ts or an endpoint.',
        })),
      ],
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    // Which runtime it is built for only the environment says.
    ignores: ['src/runtime/**', 'src/instrumentation.ts', '**/*.test.ts'],
    rules: {
      'no-restricted-globals': 'off',
      'no-restricted-properties': [
        'error',
        ...noClock,
        {
          object: 'process',
          property: 'env',
          message: 'Only src/runtime reads the environment.',
        },
      ],
    },
  },
];

export default config;
