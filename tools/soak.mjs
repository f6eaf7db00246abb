// npm run soak [-- RUNS [COMMANDS]]: the random runs of two windows, many more of them than in npm test.
import { bin, build, install, run } from './lib/project.mjs';

install();
const [runs = '5000', commands = '10000'] = process.argv.slice(2);
run(bin('jest'), ['--selectProjects', 'core', '--testPathPattern', 'document/random|formats/.*/roundTrip'], {
  env: { ...process.env, SOAK_RUNS: runs, ROUND_TRIPS: runs },
});
build();
run(bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts', 'soak', '--project', 'wide'], {
  env: { ...process.env, SOAK_COMMANDS: commands },
});
