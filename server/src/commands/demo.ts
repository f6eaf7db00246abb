import path from 'node:path';
import { localDay } from '@glossarion/core/journal';
import { readConfig } from '../config';
import type { Services } from '../services';
import { makeDemo } from '../services/demo';
import { start } from '../start';
import { orTell } from '../startError';
import { stopOnSignal } from '../stop';

const isEmpty = process.argv.includes('--empty');
const makeNotes = (services: Services) => makeDemo(services, path.resolve('demo/notes'), localDay(new Date()), isEmpty);
const running = await orTell(() => start(readConfig(process.env), makeNotes));
stopOnSignal(running);
console.log(`Glossarion is open at http://localhost:${running.port}`);
