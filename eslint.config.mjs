import js from '@eslint/js';
import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

/** A rule that keeps imports pointing one way: web → contract → core, server → contract → core. */
const mayNotImport = (files, patterns, message) => ({
  files,
  rules: {
    'no-restricted-imports': ['error', { patterns: [{ group: patterns, message }] }],
  },
});

const places = ['tonight', 'demand', 'formulas', 'plan', 'mix', 'walk-in', 'crew', 'log', 'house'];

export default tseslint.config(
  { ignores: ['**/dist/', '.data/', 'test-results/', 'playwright-report/'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    languageOptions: { globals: { ...globals.node } },
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-invalid-void-type': 'off',
      eqeqeq: ['error', 'smart'],
      '@typescript-eslint/no-unused-vars': [
        'error',
        { varsIgnorePattern: '^_', argsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'ExportDefaultDeclaration',
          message: 'Name what you export; a default only where a tool asks for one.',
        },
      ],
    },
  },
  {
    files: ['web/src/**/*.{ts,tsx}'],
    languageOptions: { globals: { ...globals.browser } },
    plugins: { 'react-hooks': reactHooks },
    rules: { ...reactHooks.configs.recommended.rules },
  },
  {
    files: ['**/*.config.{ts,mjs}', 'e2e/globalSetup.ts'],
    rules: { 'no-restricted-syntax': 'off' },
  },
  mayNotImport(
    ['core/src/**/*.ts'],
    ['@calm/*', 'node:*', 'express', 'react', 'joi', 'luxon'],
    'The core imports nothing of ours and nothing with I/O.',
  ),
  mayNotImport(
    ['contract/src/**/*.ts'],
    ['@calm/server', '@calm/web', '@calm/demo', 'node:*'],
    'The contract knows only the core.',
  ),
  ...places.map((place) =>
    mayNotImport(
      [`web/src/places/${place}/**/*.{ts,tsx}`],
      [
        '@calm/server',
        '@calm/demo',
        ...places.filter((p) => p !== place).map((p) => `**/places/${p}/**`),
        ...places.filter((p) => p !== place).map((p) => `../${p}/**`),
      ],
      'A place imports from parts, state, shell, contract and core, never from another place.',
    ),
  ),
  {
    // These tools hand functions to a page to run.
    files: ['tools/bench.mjs'],
    languageOptions: { globals: { ...globals.browser } },
  },
  {
    // A loop by hand over typed arrays: every index is in bounds by construction.
    files: ['tools/bench/flatLoop.ts'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    files: ['**/*.test.ts'],
    rules: { 'no-restricted-imports': 'off' },
  },
);
