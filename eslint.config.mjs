import js from '@eslint/js';
import boundaries from 'eslint-plugin-boundaries';
import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

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
    files: ['app/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['**/*.{js,mjs,cjs}'],
    languageOptions: { globals: { ...globals.node } },
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  { files: ['server/src/routes/route.ts', 'core/src/find/words.ts'], rules: { 'no-control-regex': 'off' } },
);
