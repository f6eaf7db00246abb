// npm run demo [-- --port 4010] [-- --data DIR] [-- --empty]: installs and builds what is missing, and serves the demo.
import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { build, runBuilt } from './lib/project.mjs';

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: '4000' },
    data: { type: 'string' },
    empty: { type: 'boolean', default: false },
  },
});
build();
const data = values.data ?? mkdtempSync(path.join(os.tmpdir(), 'glossarion-demo-'));
runBuilt('demo', values.empty ? ['--empty'] : [], {
  PORT: values.port,
  GLOSSARION_DATA: data,
  GLOSSARION_DEMO: 'true',
  GLOSSARION_LOG: process.env.GLOSSARION_LOG ?? 'warn',
  NODE_ENV: 'production',
});
