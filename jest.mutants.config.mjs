// The unit tests that are run on each change that `npm run mutants` makes. MUTANT_TESTS names their files, parted by commas.
import { moduleNameMapper, transform, transformIgnorePatterns } from './jest.config.mjs';

/** @type {import('jest').Config} */
export default {
  testEnvironment: 'node',
  testTimeout: 30_000,
  setupFiles: ['<rootDir>/tests/unit/seed.ts'],
  testMatch: (process.env.MUTANT_TESTS ?? '').split(',').map((file) => `<rootDir>/${file}`),
  transform,
  moduleNameMapper,
  transformIgnorePatterns,
};
