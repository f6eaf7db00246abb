import os from 'node:os';
import path from 'node:path';

const root = import.meta.dirname;

// The same on every machine, and one whose clocks change.
process.env.TZ = 'Europe/London';

/** Packages that ship ES modules only and are turned into CommonJS for Jest. */
const plain = {
  rootDir: root,
  cacheDirectory: path.join(root, 'node_modules/.cache/glossarion/jest'),
  testEnvironment: 'node',
  setupFiles: [path.join(root, 'core/src/testing/seed.ts')],
  transform: {
    '^.+\\.[cm]?[jt]sx?$': [
      '@swc/jest',
      { jsc: { target: 'es2022', parser: { syntax: 'typescript' } }, module: { type: 'commonjs' } },
    ],
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(file-type|strtok3|token-types|uint8array-extras|@tokenizer|@borewit|vfile[^/]*|devlop|unist-[^/]*|mdast-[^/]*|micromark[^/]*|hast-[^/]*|hastscript|xast[^/]*|@rgrove|smol-toml|html-void-elements|property-information|space-separated-tokens|comma-separated-tokens|stringify-entities|character-entities-html4|character-entities-legacy|web-namespaces|parse5|entities|decode-named-character-reference|character-entities|ccount|escape-string-regexp|markdown-table|longest-streak|zwitch|fault|format|uuid|fractional-indexing|@leeoniya|stemmer)/)',
  ],
  moduleNameMapper: {
    '^@glossarion/core/(.*)$': path.join(root, 'core/src/$1/index.ts'),
    // Its pattern of exports is beyond Jest's resolver.
    '^file-type$': path.join(root, 'node_modules/file-type/core.js'),
    '^chrono-node/en$': path.join(root, 'node_modules/chrono-node/dist/cjs/locales/en/index.js'),
  },
};

export default {
  // What has to be quick is held against something else in the same run: a machine that others use may stand still.
  testTimeout: 180_000,
  // All of a small machine: by itself Jest leaves one of its cores idle.
  maxWorkers: Math.max(2, os.availableParallelism() - 1),
  projects: [
    { ...plain, displayName: 'core', testMatch: ['<rootDir>/core/src/**/*.test.ts'] },
    { ...plain, displayName: 'server', testMatch: ['<rootDir>/server/src/**/*.test.ts'] },
    '<rootDir>/app',
  ],
};
