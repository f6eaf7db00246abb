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

/**
 * The folders of the core and the server from the ground up (and the server's few files beside them): each knows those
 * before it, so that no circle can come to be.
 */
const CORE = [
  ...[
    'palette',
    'accounts',
    'notices',
    'calendar',
    'words',
    'outline',
    'tags',
    'document',
    'links',
    'alsoNamed',
    'journal',
  ],
  ...[
    'tray',
    'dates',
    'kinds',
    'tasks',
    'meetings',
    'overview',
    'templates',
    'languages',
    'find',
    'replace',
    'acts',
    'bin',
  ],
  ...['desk', 'formats', 'works', 'kin', 'margin', 'review', 'messages', 'names', 'pickables', 'testing'],
].map((name) => `core/src/${name}`);
const SERVER = [
  ...['sqlite', 'entities', 'problem.ts', 'startError.ts', 'access', 'migrations', 'database', 'text.ts', 'config.ts'],
  ...[
    'values.ts',
    'siteScript',
    'threads',
    'background',
    'services',
    'routes',
    'app.ts',
    'socket',
    'measuring',
    'stillConnections.ts',
    'start.ts',
  ],
  ...['stop.ts', 'commands', 'main.ts', 'testing', 'reliability'],
].map((name) => `server/src/${name}`);

/** What the features of the app are, in the order in which they build on each other. */
const FEATURES = [
  ...[
    'attachments',
    'cards',
    'trail',
    'templates',
    'parts',
    'kinds',
    'outline',
    'names',
    'beside',
    'leaves',
    'tray',
    'tasks',
    'margin',
    'tags',
  ],
  ...[
    'desk',
    'bin',
    'keys',
    'find',
    'replace',
    'preview',
    'journal',
    'review',
    'page',
    'session',
    'settings',
    'works',
    'shell',
  ],
];

/** The folders of the app from the ground up: each knows those before it, so that no circle can come to be. */
const LAYERS = [
  ...['theme', 'kit', 'workers', 'state', 'documents', 'begin', 'screen', 'editor'],
  ...FEATURES.map((name) => `features/${name}`),
  'app',
];

const inOrder = (names, beneath = []) =>
  names.map((name, index) => ({ from: name, allow: [...beneath, ...names.slice(0, index + 1)] }));

const goneAnswer = {
  selector: "Property[key.name='subscribe'][value.value=false]",
  message: 'Such an answer can be gone before it is looked at: use ask (state/store).',
};

const acrossPackages = {
  group: ['**/core/src/**', '**/server/src/**', '**/app/src/**'],
  message: 'Import @glossarion/core/<idea>.',
};

const elements = { group: ['@rneui/*'], message: 'Parts of the interface come from app/src/kit.' };

const withinEditor = 'The app knows of the editor what its index says, and the style sheet what its sheets say.';

const rawElement = {
  selector: 'JSXOpeningElement > JSXIdentifier[name=/^[a-z]/]',
  message: 'Screens are made of app/src/kit; raw elements stay in the editor and in still text.',
};

export default tseslint.config(
  {
    ignores: [
      '**/node_modules',
      '**/dist',
      'app/.expo',
      'app/public',
      '**/expo-env.d.ts',
      'test-results',
      // Made from its grammar.
      'core/src/find/query/grammar.js',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    plugins: { boundaries },
    settings: {
      'boundaries/elements': [
        ...[...CORE, ...SERVER].map((name) => ({
          type: name,
          pattern: name,
          mode: name.endsWith('.ts') ? 'full' : 'folder',
        })),
        ...LAYERS.map((name) => ({ type: name, pattern: `app/src/${name}`, mode: 'folder' })),
      ],
      // What is asked for later and what is passed on count as much as what is imported.
      'boundaries/dependency-nodes': ['import', 'dynamic-import', 'export'],
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
          rules: [...inOrder(CORE), ...inOrder(SERVER, CORE), ...inOrder(LAYERS, CORE)],
        },
      ],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      'no-restricted-imports': ['error', { patterns: [acrossPackages] }],
      eqeqeq: 'error',
      'max-lines': ['error', { max: 420, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    // What tests what may know all of it.
    files: ['core/src/**/*.test.ts', 'core/src/testing/**', 'server/src/**/*.test.ts'],
    rules: {
      'boundaries/element-types': [
        'error',
        {
          default: 'disallow',
          rules: [
            { from: CORE, allow: CORE },
            { from: SERVER, allow: [...CORE, ...SERVER] },
          ],
        },
      ],
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
      'no-restricted-syntax': ['error', goneAnswer],
    },
  },
  {
    // Screens are made of the kit, and the kit of React Native (Elements); raw elements are the text's own.
    files: ['app/src/**/*.tsx'],
    ignores: ['app/src/editor/**', 'app/src/testing/**', '**/*.test.tsx'],
    rules: { 'no-restricted-syntax': ['error', goneAnswer, rawElement] },
  },
  {
    files: ['app/src/**/*.{ts,tsx}'],
    ignores: ['app/src/kit/**', 'app/src/theme/elements.ts', 'app/src/app/_layout.tsx'],
    rules: { 'no-restricted-imports': ['error', { patterns: [acrossPackages, elements] }] },
  },
  {
    // The editor is known by its index alone.
    files: ['app/src/{features,app}/**/*.{ts,tsx}'],
    ignores: ['app/src/app/_layout.tsx'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [acrossPackages, elements, { group: ['**/editor/*', '!**/editor/sheets'], message: withinEditor }],
        },
      ],
      'no-restricted-syntax': [
        'error',
        goneAnswer,
        rawElement,
        { selector: 'ImportExpression > Literal[value=/\\/editor\\//]', message: withinEditor },
      ],
    },
  },
  {
    files: ['**/*.{js,mjs,cjs}'],
    languageOptions: { globals: { ...globals.node } },
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  {
    files: ['server/src/values.ts', 'server/src/routes/shapes.ts'],
    rules: { 'no-control-regex': 'off' },
  },
);
