// Bundles the server and its commands into server/dist; packages stay where they are installed.
import { build } from 'esbuild';
import { readdirSync } from 'node:fs';
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
