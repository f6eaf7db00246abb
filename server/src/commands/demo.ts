import path from 'node:path';
import { localDay } from '@glossarion/core/journal';
import { readConfig } from '../config';
import { makeDemo } from '../services/demo';
import { start } from '../start';
import { orTell } from '../startError';
import { stopOnSignal } from '../stop';

const running = await orTell(() => start(readConfig(process.env)));
stopOnSignal(running);
await makeDemo(running.services, path.resolve('demo/notes'), localDay(new Date()), process.argv.includes('--empty'));
console.log(`Glossarion is open at http://localhost:${running.port}`);
