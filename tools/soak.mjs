// npm run soak [-- RUNS]: the random runs of two windows, many more of them than in npm test.
import { bin, install, run } from './lib/project.mjs';

install();
const runs = process.argv[2] ?? '5000';
run(bin('jest'), ['--selectProjects', 'core', '--testPathPattern', 'document/random'], {
  env: { ...process.env, SOAK_RUNS: runs },
});
