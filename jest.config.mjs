export const transform = {
  '^.+\\.(t|j)sx?$': [
    '@swc/jest',
    {
      jsc: {
        parser: { syntax: 'typescript', tsx: true },
        transform: { react: { runtime: 'automatic' } },
        target: 'es2022',
      },
    },
  ],
};
export const moduleNameMapper = {
  // Before the paths: the first that fits counts.
  '\\.css$': '<rootDir>/tests/unit/empty.ts',
  '^@/(.*)$': '<rootDir>/src/$1',
  '^server-only$': '<rootDir>/tests/unit/empty.ts',
};
export const transformIgnorePatterns = ['/node_modules/(?!comlink|fractional-indexing)'];

/** @type {import('jest').Config} */
export default {
  globalSetup: '<rootDir>/tests/unit/chooseSeed.mjs',
  maxWorkers: 2,
  // A busy machine is slow, not wrong.
  testTimeout: 60_000,
  projects: [
    {
      displayName: 'node',
      testEnvironment: 'node',
      setupFilesAfterEnv: ['<rootDir>/tests/unit/leftOpen.ts'],
      setupFiles: ['<rootDir>/tests/unit/seed.ts'],
      testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/tests/unit/**/*.test.ts'],
      transform,
      moduleNameMapper,
      transformIgnorePatterns,
    },
    {
      displayName: 'browser',
      testEnvironment: 'jsdom',
      setupFiles: ['<rootDir>/tests/unit/seed.ts'],
      testMatch: ['<rootDir>/src/**/*.test.tsx'],
      setupFilesAfterEnv: ['<rootDir>/tests/unit/browserSetup.ts'],
      transform,
      moduleNameMapper,
      transformIgnorePatterns,
    },
  ],
};
