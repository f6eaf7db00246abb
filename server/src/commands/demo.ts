import path from 'node:path';
import { localDay } from '@glossarion/core/journal';
import { readConfig } from '../config';
import { makeDemo } from '../services/demo';
import { start } from '../start';
import { stopOnSignal } from '../stop';

const config = readConfig(process.env);
const running = await start(config);
stopOnSignal(running);
await makeDemo(running.services, path.resolve('demo/notes'), localDay(new Date()), process.argv.includes('--empty'));
console.log(`Glossarion is open at http://localhost:${running.port}`);
