/** Unit, property and database tests. Browser tests are Playwright's, in e2e/. */
const config = {
  testEnvironment: 'node',
  // What a process keeps on the global object holds parts of Node itself: its graph must not be taken apart between files.
  testEnvironmentOptions: { globalsCleanup: 'off' },
  testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/scripts/**/*.test.ts'],
  transform: {
    '\\.[cm]?[jt]sx?$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' }, module: { type: 'commonjs' } },
    ],
  },
  transformIgnorePatterns: [],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  cacheDirectory: '<rootDir>/node_modules/.cache/jest',
  globals: { isSoak: process.env.SOAK !== undefined },
  maxWorkers: '100%',
  workerIdleMemoryLimit: '1GB',
  // Long chains of random commands on a busy machine; nothing is measured by the clock.
  testTimeout: 120_000,
};

export default config;
