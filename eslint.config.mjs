import js from '@eslint/js';
import next from '@next/eslint-plugin-next';
import prettier from 'eslint-config-prettier';
import boundaries from 'eslint-plugin-boundaries';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** React's compiler rules compile each file, which takes longer than all other rules together: `npm run verify` leaves them to verify:full. */
const WITHOUT_COMPILER = process.env.LINT_WITHOUT_COMPILER === '1';
const REACT_RULES = reactHooks.configs.recommended.rules;
const QUICK_REACT_RULES = Object.fromEntries(
  ['rules-of-hooks', 'exhaustive-deps'].map((rule) => {
    const name = `react-hooks/${rule}`;
    return [name, REACT_RULES[name]];
  }),
);

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

/** The folders of the core from the ground up: each imports only from itself and from those before it. */
export const CORE_ORDER = [
  ['units'],
  ['fields'],
  ['stages'],
  ['colours'],
  ['figures'],
  ['geometry'],
  ['protocols'],
  ['catalogue'],
  // How tables and drawings are laid on pages, whatever they say.
  ['pages'],
  ['threading'],
  // What a wall is made of stands beside the kinds of props.
  ['props', 'panels', 'screens'],
  ['show'],
  ['patch'],
  ['addressing'],
  ['plan'],
  ['devices'],
  ['patterns'],
  ['power'],
  ['rig'],
  ['diagnose'],
  ['answers'],
  ['bringUp'],
  ['practice'],
  ['parts'],
  ['checks'],
  ['log'],
  ['papers'],
  ['reports'],
  ['revisions'],
  ['search'],
];

const OUT_OF_CORE = {
  // Everything that is neither a relative path nor one of the two.
  regex: '^(?!\\.{1,2}/)(?!zod$)(?!fractional-indexing$)',
  message: 'The core imports nothing from outside src/core but zod and the keys of lists.',
};

/** The folders of the interface from the ground up, in the same way. */
export const FEATURE_ORDER = [
  ['show'],
  ['view'],
  ['figures', 'explain', 'sheets', 'picture'],
  // The small pictures of kinds of props, and what a kind may show.
  ['faces'],
  ['editors', 'power', 'sending', 'patch', 'log'],
  ['finding', 'liveTest'],
  ['wall', 'screen', 'phones', 'practice', 'firstPowerUp'],
  // What each kind of prop shows: the only place that knows all kinds.
  ['kinds', 'print', 'home'],
  ['site', 'phone'],
  ['build', 'route', 'testing'],
  // How the parts of stages are fetched: the only place that knows all stages.
  ['stages'],
  ['shell'],
];

/** For each folder the rule that keeps it from importing from those above it, and from those beside it. */
const orderRules = (root, order, always) =>
  order.flatMap((folders, rank) => {
    const above = order.slice(rank + 1).flat();
    return folders.map((folder) => {
      const others = [...above, ...folders.filter((each) => each !== folder && !always.beside)];
      const upward = {
        regex: `^(?:\\.\\./)+(?:${others.join('|')})/`,
        message: `${folder} stands below ${others.join(', ')}, or beside, and imports nothing from there.`,
      };
      const patterns = [...always.patterns, ...(others.length > 0 ? [upward] : [])];
      return {
        files: [`${root}/${folder}/**/*.{ts,tsx}`],
        rules: { 'no-restricted-imports': ['error', { patterns }] },
      };
    });
  });

const CONSTANT_STYLE = {
  selector:
    "JSXAttribute[name.name='style'] > JSXExpressionContainer > ObjectExpression > Property[value.type='Literal']",
  message:
    'A style that is always the same belongs into the style sheet of the part; only what is computed stands here.',
};

const KIND_BY_NAME = {
  selector:
    'BinaryExpression[left.property.name="kind"][right.value=/^(line|ring|tree|grid|wall|tile|screen|craft|freeform)$/]',
  message: 'Ask the kind of prop for a trait, or its face for a part: a new kind is to need no change here.',
};

const PROTOCOL_BY_NAME = {
  selector: 'BinaryExpression[right.value=/^(e131|artnet|ddp)$/]',
  message: 'Ask the protocol (src/core/protocols/registry.ts): a new one is to need no change here.',
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
        performance: 'readonly',
        setTimeout: 'readonly',
        URL: 'readonly',
      },
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    plugins: { boundaries },
    settings: {
      'import/resolver': { typescript: { project: './tsconfig.json' } },
      'boundaries/elements': Object.keys(MAY_IMPORT).map((type) => ({
        type,
        pattern: `src/${type}`,
      })),
      'boundaries/include': ['src/**/*'],
    },
    rules: {
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
    // Where React is.
    files: ['src/{app,features,ui}/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks, '@next/next': next },
    rules: {
      ...(WITHOUT_COMPILER ? QUICK_REACT_RULES : REACT_RULES),
      ...next.configs.recommended.rules,
      '@next/next/no-html-link-for-pages': 'off',
      // Photos are shown as they are kept: nothing fetches and works on them for a page (next.config.ts).
      '@next/next/no-img-element': 'off',
    },
  },
  {
    files: ['src/**/*.ts'],
    // Upgrades read what older files hold, by the names of that time.
    ignores: ['src/core/show/upgrades.ts', 'src/**/*.test.ts'],
    rules: { 'no-restricted-syntax': ['error', PROTOCOL_BY_NAME, KIND_BY_NAME] },
  },
  {
    files: ['src/**/*.tsx'],
    rules: { 'no-restricted-syntax': ['error', CONSTANT_STYLE, KIND_BY_NAME, PROTOCOL_BY_NAME] },
  },
  {
    // Files of one kind of prop.
    files: [
      'src/features/kinds/**/*.tsx',
      'src/features/wall/**/*.tsx',
      'src/features/editors/RolesSheet.tsx',
      'src/features/build/ImportPointsDialog.tsx',
    ],
    rules: { 'no-restricted-syntax': ['error', CONSTANT_STYLE, PROTOCOL_BY_NAME] },
  },
  {
    // A folder that has no place in the order yet.
    files: ['src/core/**/*.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: [OUT_OF_CORE] }] },
  },
  // Kinds of props, panels and screens know one another, file by file.
  ...orderRules('src/core', CORE_ORDER, { patterns: [OUT_OF_CORE], beside: true }),
  ...orderRules('src/features', FEATURE_ORDER, { patterns: [], beside: false }),
  {
    files: ['src/**/*.test.{ts,tsx}'],
    rules: { 'no-restricted-imports': 'off' },
  },
  {
    // Tests break shows on purpose, in ways that no type allows.
    files: ['**/*.test.{ts,tsx}', 'tests/**'],
    rules: { '@typescript-eslint/no-explicit-any': 'off', 'no-restricted-syntax': 'off' },
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  prettier,
);
