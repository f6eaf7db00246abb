// Bundles the server and its commands into server/dist; packages stay where they are installed.
import { build } from 'esbuild';
import { readdirSync } from 'node:fs';
import path from 'node:path';
import { root } from './lib/project.mjs';

const commands = readdirSync(path.join(root, 'server/src/commands')).filter((name) => name.endsWith('.ts'));

await build({
  absWorkingDir: root,
  entryPoints: [
    'server/src/main.ts',
    'server/src/background/worker.ts',
    'server/src/threads/thread.ts',
    ...commands.map((name) => `server/src/commands/${name}`),
  ],
  entryNames: '[name]',
  outdir: 'server/dist',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  sourcemap: true,
  logLevel: 'warning',
  plugins: [
    {
      name: 'core',
      setup(builder) {
        builder.onResolve({ filter: /^@glossarion\/core\// }, ({ path: name }) => ({
          path: path.join(root, 'core/src', name.slice('@glossarion/core/'.length), 'index.ts'),
        }));
        builder.onResolve({ filter: /^[^./]/ }, ({ path: name, kind }) =>
          kind === 'entry-point' ? undefined : { path: name, external: true },
        );
      },
    },
  ],
});
