import js from '@eslint/js';
import next from '@next/eslint-plugin-next';
import prettier from 'eslint-config-prettier';
import boundaries from 'eslint-plugin-boundaries';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const layer = (type) => ({ to: { element: { type } } });

/** What each layer may import besides itself. The direction is one way, and core stands on nothing. */
const MAY_IMPORT = {
  app: ['app', 'features', 'ui', 'server', 'core'],
  features: ['features', 'ui', 'workers', 'core'],
  ui: ['ui', 'core'],
  workers: ['workers', 'core'],
  server: ['server', 'core'],
  core: ['core'],
};

export default tseslint.config(
  {
    ignores: [
      '.next/**',
      'node_modules/**',
      'next-env.d.ts',
      'test-results/**',
      'playwright-report/**',
      'data/**',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    files: ['**/*.mjs'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        fetch: 'readonly',
        setTimeout: 'readonly',
        URL: 'readonly',
      },
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    plugins: { boundaries, 'react-hooks': reactHooks, '@next/next': next },
    settings: {
      'import/resolver': { typescript: { project: './tsconfig.json' } },
      'boundaries/elements': Object.keys(MAY_IMPORT).map((type) => ({
        type,
        pattern: `src/${type}`,
      })),
      'boundaries/include': ['src/**/*'],
    },
    rules: {
      ...reactHooks.configs.recommended.rules,
      ...next.configs.recommended.rules,
      '@next/next/no-html-link-for-pages': 'off',
      'boundaries/dependencies': [
        'error',
        {
          default: 'disallow',
          policies: [
            ...Object.entries(MAY_IMPORT).map(([type, others]) => ({
              from: { element: { type } },
              allow: others.map(layer),
            })),
          ],
        },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              // Everything that is neither a relative path nor one of the two.
              regex: '^(?!\\.{1,2}/)(?!zod$)(?!fractional-indexing$)',
              message: 'The core imports nothing from outside src/core but zod and the keys of lists.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['src/core/**/*.test.ts'],
    rules: { 'no-restricted-imports': 'off' },
  },
  {
    // Tests break shows on purpose, in ways that no type allows.
    files: ['**/*.test.{ts,tsx}', 'tests/**'],
    rules: { '@typescript-eslint/no-explicit-any': 'off' },
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  prettier,
);
