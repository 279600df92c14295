import { aloneFiles } from './checks/together/deal.mjs';

/** Jest runs the core, data and codebase tests; the browser journeys belong to Playwright. */
const shared = {
  testEnvironment: 'node',
  // A test file's globals are looked up through its sandbox, fifteen times slower than its own names: those that arithmetic leans on are handed in.
  sandboxInjectedGlobals: ['Math', 'Float64Array', 'Int32Array', 'Uint8Array'],
  transform: {
    '^.+\\.m?js$': ['@swc/jest', { jsc: { target: 'es2022' }, module: { type: 'commonjs' } }],
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
      },
    ],
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(d3-contour|d3-random|d3-array|internmap|csv-parse|csv-stringify|uuid|clipper2-ts|ml-matrix|ml-array-max|ml-array-min|ml-array-rescale|is-any-array)/)',
  ],
  moduleNameMapper: { '^server-only$': '<rootDir>/checks/empty-module.cjs', '^@/(.*)$': '<rootDir>/$1' },
  modulePathIgnorePatterns: ['<rootDir>/.next/', '<rootDir>/var/'],
};

const config = {
  // Jest keeps one core to itself; on two that is half of them.
  maxWorkers: '100%',
  // Only a test that hangs: machines are slow, and runs stand side by side.
  testTimeout: 120_000,
  projects: [
    {
      ...shared,
      displayName: 'unit',
      testMatch: [
        '<rootDir>/{core,data,ui,app,demo,workers,stand-ins}/**/*.test.ts',
        '<rootDir>/checks/*.test.ts',
      ],
    },
    // The same, many files in one surrounding: what `npm test` runs.
    {
      ...shared,
      displayName: 'together',
      testMatch: ['checks/together/*.test.ts', ...aloneFiles()].map((path) => `<rootDir>/${path}`),
    },
    { ...shared, displayName: 'outside', testMatch: ['<rootDir>/checks/outside/*.test.ts'] },
  ],
};

export default config;
