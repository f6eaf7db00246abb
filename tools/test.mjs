// npm test: installs what is missing, then types, lint, unit and server tests, then the journeys in the browser.
import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync, rmSync, statfsSync } from 'node:fs';
import path from 'node:path';
import { bin, install, root, run } from './lib/project.mjs';

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

const step = async (name, work) => {
  const start = Date.now();
  console.log(`\n== ${name}`);
  await work();
  console.log(`== ${name}: ${Math.round((Date.now() - start) / 1000)} s`);
};

/** Runs commands two at a time, each telling what it printed when it is over; ends when one fails. */
async function runTogether(commands) {
  const waiting = [...commands];
  const lane = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const [command, args] = next;
      const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
      const printed = [];
      child.stdout.on('data', (chunk) => printed.push(chunk));
      child.stderr.on('data', (chunk) => printed.push(chunk));
      const [status] = await once(child, 'close');
      process.stdout.write(Buffer.concat(printed));
      if (status !== 0) process.exit(status ?? 1);
    }
  };
  await Promise.all([lane(), lane()]);
}

/** What is kept of a run for the next: only what has changed since is looked at again. */
const kept = (name) => path.join(root, 'node_modules/.cache/glossarion', name);
const typesOf = (part) => [
  '-p',
  part,
  '--incremental',
  '--tsBuildInfoFile',
  kept(`types-${part.replaceAll('/', '-')}.tsbuildinfo`),
];

/**
 * What tests write is thrown away after them. It is held in memory where there is plenty: each write that a server
 * acknowledges waits for its disk, and a disk that others use too may stand still for many seconds.
 */
function writeToMemory() {
  const memory = '/dev/shm';
  if (!existsSync(memory)) return;
  const { bavail, bsize } = statfsSync(memory);
  if (bavail * bsize < 8 * 2 ** 30) return;
  const folder = mkdtempSync(path.join(memory, 'glossarion-tests-'));
  process.env.TMPDIR = folder;
  process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
}

install();
writeToMemory();
await step('chromium', findChromium);
await step('types, lint and build', () =>
  runTogether([
    [process.execPath, ['tools/build.mjs']],
    ...['app', 'server', 'e2e', 'core', 'core/tsconfig.test.json'].map((part) => [bin('tsc'), typesOf(part)]),
    [bin('eslint'), ['.', '--max-warnings', '0']],
    [bin('prettier'), ['--check', '--log-level', 'warn', '--cache', '--cache-location', kept('prettier'), '.']],
  ]),
);
await step('unit and server tests', () => run(bin('jest'), ['--ci', '--silent']));
await step('journeys', () => {
  rmSync(path.join(root, 'node_modules/.cache/glossarion/e2e-folders'), { force: true });
  run(bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts', ...process.argv.slice(2)]);
});
