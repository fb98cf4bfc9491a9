const swc = [
  '@swc/jest',
  {
    jsc: {
      parser: { syntax: 'typescript', tsx: true },
      target: 'es2022',
      transform: { react: { runtime: 'automatic' } },
    },
  },
];
const shared = {
  transform: { '\\.(ts|tsx|mjs|js)$': swc },
  // These come as ES modules only.
  transformIgnorePatterns: [
    'node_modules/(?!(temporal-polyfill|canonicalize|content-disposition|feed|stemmer|temporal-utils|parse5|entities|approx-string-match|micromark[^/]*|decode-named-character-reference|character-entities|devlop|ccount|jose|diff|file-type|strtok3|token-types|uint8array-extras|@tokenizer|@borewit|peek-readable|email-reply-parser|mathml2omml)/)',
  ],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  testPathIgnorePatterns: ['/node_modules/', '/tests/browser/'],
  modulePathIgnorePatterns: ['<rootDir>/.build', '<rootDir>/.pulpit'],
};

const config = {
  // Every processor has a part of them.
  maxWorkers: '100%',
  // A busy machine is slow, not wrong.
  testTimeout: 90_000,
  reporters: ['default', '<rootDir>/tests/fixtures/closing-line.cjs'],
  projects: [
    {
      ...shared,
      displayName: 'unit',
      rootDir: '.',
      testMatch: [
        '<rootDir>/src/**/*.test.ts',
        '<rootDir>/tests/property/**/*.test.ts',
        '<rootDir>/tests/prompts/**/*.test.ts',
        '<rootDir>/tests/replies/**/*.test.ts',
        '<rootDir>/tests/worth/**/*.test.ts',
        '<rootDir>/tests/elsewhere/**/*.test.ts',
        '<rootDir>/tests/calendars/**/*.test.ts',
        '<rootDir>/tests/formats/**/*.test.ts',
      ],
    },
    {
      ...shared,
      displayName: 'database',
      rootDir: '.',
      testMatch: ['<rootDir>/tests/database/**/*.test.ts'],
    },
  ],
};

export default config;
