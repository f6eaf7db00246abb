// npm test: installs what is missing, then types, lint, unit and server tests, then the journeys in the browser.
import { spawnSync } from 'node:child_process';
import { existsSync, rmSync } from 'node:fs';
import path from 'node:path';
import { bin, build, install, root, run } from './lib/project.mjs';

/** Debian's Chromium: fetched when it is missing and this may be done, else it is said how. */
function findChromium() {
  const chromium = process.env.CHROMIUM ?? '/usr/bin/chromium';
  if (existsSync(chromium)) return;
  if (process.getuid?.() !== 0 || spawnSync('which', ['apt-get']).status !== 0) {
    console.error('The journeys need Chromium: `sudo apt-get install chromium`, or name one in CHROMIUM.');
    process.exit(1);
  }
  const environment = { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } };
  run('apt-get', ['update', '-qq'], environment);
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], environment);
}

const step = (name, work) => {
  const start = Date.now();
  console.log(`\n== ${name}`);
  work();
  console.log(`== ${name}: ${Math.round((Date.now() - start) / 1000)} s`);
};

install();
step('chromium', findChromium);
step('types', () => ['core', 'server', 'app', 'e2e'].forEach((part) => run(bin('tsc'), ['-p', part])));
step('lint', () => {
  run(bin('eslint'), ['.', '--max-warnings', '0']);
  run(bin('prettier'), ['--check', '--log-level', 'warn', '.']);
});
step('unit and server tests', () => run(bin('jest'), ['--ci', '--silent']));
step('build', () => build());
step('journeys', () => {
  rmSync(path.join(root, 'node_modules/.cache/glossarion/e2e-folders'), { force: true });
  run(bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts', ...process.argv.slice(2)]);
});
