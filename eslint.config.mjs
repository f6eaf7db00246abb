import js from '@eslint/js';
import boundaries from 'eslint-plugin-boundaries';
import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

/** The column that says whose a row is: what it lets a viewer see and change is decided in server/src/access alone. */
const owner = ['Identifier[name="ownerId"]', 'Literal[value=/ownerId/]', 'TemplateElement[value.raw=/ownerId/]'].map(
  (selector) => ({ selector, message: 'Whose a row is, is known in access/ alone; ask there.' }),
);

/** Statements by hand. */
const byHand = [
  'Literal[value=/^\\s*(SELECT|INSERT|REPLACE|UPDATE|DELETE|WITH RECURSIVE)\\s/]',
  'TemplateElement[value.raw=/^\\s*(SELECT|INSERT|REPLACE|UPDATE|DELETE|WITH RECURSIVE)\\s/]',
].map((selector) => ({
  selector,
  message: 'Storage goes through repositories; a statement by hand stands in a .queries.ts with its reason.',
}));

export default tseslint.config(
  { ignores: ['**/node_modules', '**/dist', 'app/.expo', 'app/public', '**/expo-env.d.ts', 'test-results'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    plugins: { boundaries },
    settings: {
      'boundaries/elements': [
        { type: 'core', pattern: 'core/src', mode: 'folder' },
        { type: 'server', pattern: 'server/src', mode: 'folder' },
        { type: 'app', pattern: 'app/src', mode: 'folder' },
      ],
      'import/resolver': {
        typescript: { project: ['core/tsconfig.json', 'server/tsconfig.json', 'app/tsconfig.json'] },
      },
    },
    rules: {
      // Imports point one way: app → core, server → core.
      'boundaries/element-types': [
        'error',
        {
          default: 'disallow',
          rules: [
            { from: 'core', allow: ['core'] },
            { from: 'server', allow: ['server', 'core'] },
            { from: 'app', allow: ['app', 'core'] },
          ],
        },
      ],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: ['**/core/src/**', '**/server/src/**', '**/app/src/**'],
              message: 'Import @glossarion/core/<idea>.',
            },
          ],
        },
      ],
      eqeqeq: 'error',
      'max-lines': ['error', { max: 420, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['core/src/**'],
    ignores: ['**/*.test.ts', 'core/src/testing/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: ['react', 'react-*', 'node:*', 'express', 'typeorm', 'better-sqlite3'],
              message: 'The core computes only.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['server/src/**'],
    ignores: ['**/*.test.ts', 'server/src/{access,entities,migrations,testing}/**'],
    rules: { 'no-restricted-syntax': ['error', ...owner] },
  },
  {
    files: ['server/src/**'],
    ignores: [
      '**/*.test.ts',
      '**/*.queries.ts',
      'server/src/{migrations,testing,measuring,commands}/**',
      // What is visible stands in access/visible; a database that is not yet known to be ours is read by hand.
      'server/src/access/visible.ts',
      'server/src/database/{bare,database}.ts',
    ],
    rules: { 'no-restricted-syntax': ['error', ...owner, ...byHand] },
  },
  {
    files: ['server/src/access/**', 'server/src/entities/**'],
    ignores: ['**/*.test.ts', '**/*.queries.ts', 'server/src/access/visible.ts'],
    rules: { 'no-restricted-syntax': ['error', ...byHand] },
  },
  {
    files: ['app/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      'no-restricted-syntax': [
        'error',
        {
          selector: "Property[key.name='subscribe'][value.value=false]",
          message: 'Such an answer can be gone before it is looked at: use ask (state/store).',
        },
      ],
    },
  },
  {
    files: ['**/*.{js,mjs,cjs}'],
    languageOptions: { globals: { ...globals.node } },
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  {
    files: ['server/src/routes/route.ts', 'server/src/routes/shapes.ts'],
    rules: { 'no-control-regex': 'off' },
  },
);
