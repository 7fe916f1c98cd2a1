import js from '@eslint/js';
import jsdoc from 'eslint-plugin-jsdoc';
import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

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
    files: ['web/public/**/*.js'],
    languageOptions: { globals: { ...globals.serviceworker } },
  },
  {
    // What others call says what it is for. Parameters are named where that says more; those inside a destructured
    // one by their own names, which the plugin's own rule does not know.
    files: ['core/src/**/*.ts', 'domain/src/**/*.ts'],
    ignores: ['**/*.test.ts', '**/test-support/**', '**/index.ts'],
    plugins: { jsdoc },
    rules: {
      'jsdoc/require-jsdoc': [
        'error',
        {
          publicOnly: true,
          require: { ArrowFunctionExpression: true, ClassDeclaration: true },
          contexts: ['TSInterfaceDeclaration', 'TSTypeAliasDeclaration'],
        },
      ],
      'jsdoc/require-description': ['error', { contexts: ['any'] }],
      'jsdoc/no-types': 'error',
    },
  },
  {
    files: [
      '**/*.config.{ts,mjs}',
      '.dependency-cruiser.mjs',
      'e2e/globalSetup.ts',
      'web/src/test-support/{browserEnvironment.mjs,classNames.ts}',
    ],
    rules: { 'no-restricted-syntax': 'off' },
  },
  {
    // Playwright reads a fixture's wishes from its pattern, empty or not.
    files: ['e2e/**/*.ts'],
    rules: { 'no-empty-pattern': ['error', { allowObjectPatternsAsParameters: true }] },
  },
  {
    // These tools hand functions to a page to run.
    files: ['tools/bench.mjs'],
    languageOptions: { globals: { ...globals.browser } },
  },
  {
    // A loop by hand over typed arrays: every index is in bounds by construction.
    files: ['tools/bench/flat*.ts'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
);
