// npm run bench [-- 1000 10000]: measures, and prints each row as a ratio to its anchor in the same run.
import { existsSync, readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { build, root, run } from './lib/project.mjs';

const sizes = process.argv.slice(2).length > 0 ? process.argv.slice(2) : ['1000', '10000'];
build();
run(process.execPath, ['server/dist/bench.mjs', ...sizes], { env: { ...process.env, NODE_ENV: 'production' } });
if (existsSync(process.env.CHROMIUM ?? '/usr/bin/chromium')) {
  for (const each of ['typing', 'writing', 'contents', 'margin']) run(process.execPath, [`bench/${each}.mjs`]);
} else {
  console.log('typing and scrolling: not measured, there is no Chromium here');
}
const scripts = path.join(root, 'app/dist/_expo/static/js/web');
const bytes = readdirSync(scripts)
  // What is fetched before the first screen; the rest comes when it is asked for.
  .filter((file) => /^(?:entry|__common)-.*\.js$/.test(file))
  .reduce((sum, file) => sum + gzipSync(readFileSync(path.join(scripts, file))).length, 0);
const kilobytes = Math.round(bytes / 1024);
console.log(
  `${'script of the app, gzip'.padEnd(34)} ${''.padStart(6)}        ${String(kilobytes).padStart(5)} KB  ${kilobytes <= 900 ? 'within' : 'OVER'} 900 KB`,
);
