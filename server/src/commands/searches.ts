import path from 'node:path';
import { pino } from 'pino';
import { readConfig } from '../config';
import { measureSearches } from '../measuring/searches/measure';
import { openServices } from '../services';

/** Tries the labelled searches in a folder's data; what they are tried in is made there the first time. */
const data = path.resolve(process.argv[2] ?? 'searches-data');
const services = await openServices(readConfig({ GLOSSARION_DATA: data }), pino({ level: 'silent' }));
await measureSearches(services);
await services.background.close();
await services.database.close();
