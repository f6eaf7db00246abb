import { parseArgs } from 'node:util';
import { pino } from 'pino';
import { ownView } from '../access';
import { readConfig } from '../config';
import { openServices } from '../services';
import { orTell } from '../startError';
import { madeNotes } from '../services/madeNotes';

/** Makes an account with any number of made-up pages in the data folder, and says how to sign in to it. */
const { values } = parseArgs({ options: { pages: { type: 'string', default: '1000' }, data: { type: 'string' } } });
const pages = Number(values.pages);
if (!Number.isInteger(pages) || pages < 1) {
  console.error('--pages takes a whole number from 1 up.');
  process.exit(1);
}
const config = readConfig({ ...process.env, ...(values.data ? { GLOSSARION_DATA: values.data } : {}) });
const services = await orTell(() => openServices(config, pino({ level: config.logLevel })));
const name = `Made ${pages} ${Date.now().toString(36)}`;
const account = await services.accounts.make(name, 'made for measuring');
const report = await services.imports.take(ownView(account.id), madeNotes({ pages }));
await services.background.close();
await services.database.close();
console.log(
  `${report.pages} pages and ${report.links} links in ${config.data}. Sign in as “${name}”, passphrase “made for measuring”.`,
);
