// npm run soak [-- TIMES [COMMANDS]]: the random tests of npm test, many times over and with other seeds, and a long
// run of two windows in the browser.
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { bin, build, install, root, run } from './lib/project.mjs';

install();
const [times = '20', commands = '10000'] = process.argv.slice(2);
const env = { ...process.env, SOAK_TIMES: times, SOAK_COMMANDS: commands };
const random = ['core/src', 'server/src', 'app/src']
  .flatMap((folder) => readdirSync(path.join(root, folder), { recursive: true }).map((file) => path.join(folder, file)))
  .filter(
    (file) => file.endsWith('.test.ts') && /fc\.assert|times\(/u.test(readFileSync(path.join(root, file), 'utf8')),
  );
build();
run(bin('jest'), ['--runTestsByPath', ...random], { env });
run(bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts', 'soak', '--project', 'wide'], { env });
