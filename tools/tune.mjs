// npm run tune: looks for the weights by which glosses are placed beside the lines of a page, on half of the judged ones.
import { build } from 'esbuild';
import path from 'node:path';
import { install, root, run } from './lib/project.mjs';

install();
// As deep as its source, which looks for the demo notes from where it stands.
const outfile = path.join(root, 'core/dist/testing/tunePlacing.cjs');
await build({
  absWorkingDir: root,
  entryPoints: ['core/src/testing/tunePlacing.ts'],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'cjs',
  target: 'node20',
  logLevel: 'warning',
});
run(process.execPath, [outfile]);
