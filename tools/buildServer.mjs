// Bundles the server and its commands into server/dist; packages stay where they are installed.
import { build } from 'esbuild';
import { copyFileSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import { core } from './lib/core.mjs';
import { root } from './lib/project.mjs';

const commands = readdirSync(path.join(root, 'server/src/commands')).filter((name) => name.endsWith('.ts'));

const common = {
  absWorkingDir: root,
  entryNames: '[name]',
  outdir: 'server/dist',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  sourcemap: true,
  logLevel: 'warning',
};

/** What Node does not take for a module, though its package says it has one. */
const BROUGHT_ALONG = ['rrule'];

const packagesStay = {
  name: 'packages stay',
  setup(builder) {
    builder.onResolve({ filter: /^[^./]/ }, ({ path: name, kind }) => {
      const isOurs = kind === 'entry-point' || name.startsWith('@glossarion/core/') || BROUGHT_ALONG.includes(name);
      return isOurs ? undefined : { path: name, external: true };
    });
  },
};

await build({
  ...common,
  entryPoints: [
    'server/src/main.ts',
    'server/src/background/worker.ts',
    ...commands.map((name) => `server/src/commands/${name}`),
  ],
  plugins: [core, packagesStay],
});
// A thread begins anew for each import: from one file it is ready in a third of the time. What reads PDFs is as large as
// all the rest, and is fetched by those that read one.
await build({
  ...common,
  entryPoints: ['server/src/threads/thread.ts'],
  external: ['unpdf'],
  banner: { js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);" },
  plugins: [core],
});

// What a site is shown with that is taken out: a script that finds without a server, and the letters.
const site = path.join(root, 'server/dist/site');
rmSync(site, { recursive: true, force: true });
mkdirSync(site, { recursive: true });
await build({
  ...common,
  entryPoints: ['server/src/siteScript/site.ts'],
  outdir: 'server/dist/site',
  outExtension: {},
  platform: 'browser',
  format: 'iife',
  target: 'es2022',
  sourcemap: false,
  minify: true,
  plugins: [core],
});
const LETTERS = [
  ...['alegreya/400', 'alegreya/400-italic', 'alegreya/700', 'alegreya-sans/400', 'alegreya-sans/500'],
  ...['alegreya-sans-sc/400', 'alegreya-sans-sc/700', 'jetbrains-mono/400'],
];
const { resolve } = createRequire(path.join(root, 'app/package.json'));
const letters = LETTERS.map((name) => {
  const sheet = resolve(`@fontsource/${name}.css`);
  // The older form of each file is for browsers that are gone.
  const text = readFileSync(sheet, 'utf8').replaceAll(/, url\([^)]*\.woff\) format\('woff'\)/gu, '');
  return text.replaceAll(/url\(\.\/files\/([^)]+)\)/gu, (_whole, file) => {
    copyFileSync(path.join(path.dirname(sheet), 'files', file), path.join(site, file));
    return `url(${file})`;
  });
});
writeFileSync(path.join(site, 'letters.css'), letters.join('\n'));
