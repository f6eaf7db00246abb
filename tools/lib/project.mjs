// What every command starts with: where things are, and whether they are installed. Uses Node alone.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';

export const root = path.resolve(import.meta.dirname, '../..');
const cache = path.join(root, 'node_modules/.cache/glossarion');

/** Runs a command to its end; ends this one when it fails. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (result.error) throw result.error;
  if (result.status !== 0) process.exit(result.status ?? 1);
}

/** The program of an installed package, run with this Node. */
export const bin = (name) => path.join(root, 'node_modules/.bin', name);

/** Whether what is installed is what the lock file asks for. */
function isInstalled() {
  const installed = path.join(root, 'node_modules/.package-lock.json');
  if (!existsSync(installed)) return false;
  const wanted = JSON.parse(readFileSync(path.join(root, 'package-lock.json'), 'utf8')).packages;
  const present = JSON.parse(readFileSync(installed, 'utf8')).packages;
  return Object.entries(wanted).every(
    ([name, each]) =>
      name === '' ||
      each.optional ||
      each.link ||
      !name.includes('node_modules/') ||
      present[name]?.version === each.version,
  );
}

/** Installs the packages when the lock file has changed since. */
export function install() {
  if (isInstalled()) return;
  console.log('Installing packages …');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
}

function* filesBelow(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (['node_modules', 'dist', '.expo', 'fonts'].includes(entry.name)) continue;
    const full = path.join(folder, entry.name);
    if (entry.isDirectory()) yield* filesBelow(full);
    else yield full;
  }
}

/** A fingerprint of everything below these folders and files. */
function fingerprint(places) {
  const hash = createHash('sha256');
  for (const place of places) {
    const full = path.join(root, place);
    const files = statSync(full).isDirectory() ? [...filesBelow(full)].sort() : [full];
    for (const file of files) hash.update(path.relative(root, file)).update(readFileSync(file));
  }
  return hash.digest('hex');
}

/** Does a piece of building unless it was done from the very same sources before. */
export function once(name, sources, product, work) {
  const stamp = path.join(cache, name);
  const wanted = fingerprint(sources);
  if (existsSync(path.join(root, product)) && existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  work();
  mkdirSync(cache, { recursive: true });
  writeFileSync(stamp, wanted);
}

/** Builds the server into server/dist and the app into app/dist, each when its sources changed. */
export function build(parts = ['server', 'app']) {
  install();
  if (parts.includes('server')) {
    once(
      'server',
      ['core/src', 'server/src', 'tools/buildServer.mjs', 'tools/lib/core.mjs', 'package-lock.json'],
      'server/dist/main.mjs',
      () => run(process.execPath, ['tools/buildServer.mjs']),
    );
  }
  if (parts.includes('app')) {
    once(
      'app',
      ['core/src', 'app', 'tools/buildApp.mjs', 'tools/lib/core.mjs', 'package-lock.json'],
      'app/dist/index.html',
      () => {
        console.log('Building the app …');
        run(process.execPath, ['tools/buildApp.mjs']);
      },
    );
  }
}

/**
 * Memory is given back sooner than Node does by itself: while all of a large account goes out it takes half as much, in
 * the same time.
 */
const NODE_OPTIONS = ['--enable-source-maps', '--heap-growing-percent=30'];
/** Where glibc is: its threads keep less of what they gave back to themselves. */
const MALLOC_ARENA_MAX = '2';

/** Runs a built command of the server, and passes on signals until it ends. */
export function runBuilt(name, args, environment = {}) {
  const child = spawn(process.execPath, [...NODE_OPTIONS, path.join(root, `server/dist/${name}.mjs`), ...args], {
    cwd: root,
    stdio: 'inherit',
    env: { MALLOC_ARENA_MAX, ...process.env, ...environment },
  });
  for (const signal of ['SIGTERM', 'SIGINT']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code, signal) => process.exit(code ?? (signal ? 1 : 0)));
}
