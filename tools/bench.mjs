// npm run bench [-- 1000 10000]: measures, and prints each row as a ratio to its anchor in the same run.
import { existsSync } from 'node:fs';
import { build, run } from './lib/project.mjs';

const sizes = process.argv.slice(2).length > 0 ? process.argv.slice(2) : ['1000', '10000'];
build();
run(process.execPath, ['server/dist/bench.mjs', ...sizes], { env: { ...process.env, NODE_ENV: 'production' } });
if (existsSync(process.env.CHROMIUM ?? '/usr/bin/chromium')) {
  for (const each of ['opening', 'typing', 'writing', 'contents', 'margin', 'log', 'beside', 'walking', 'taskList'])
    run(process.execPath, [`bench/${each}.mjs`]);
} else {
  console.log('opening, typing and scrolling: not measured, there is no Chromium here');
}
