import type { Logger } from 'pino';
import type { Config } from '../config';
import { Database } from '../database/database';
import { Accounts } from './accounts';
import { Acts } from './acts';
import { Attachments } from './attachments';
import { Bin } from './bin';
import { OutlineReader } from './contents';
import { DeskReader } from './desk';
import { Documents } from './documents';
import { Entries } from './entries';
import { FactWriter } from './facts';
import { Find } from './find';
import { Imports } from './imports';
import { Journal } from './journal';
import { Margin } from './margin';
import { Notices } from './notices';
import { Settings } from './settings';
import { Templates } from './templates';

/** Everything the routes and the socket work with. */
export interface Services {
  config: Config;
  log: Logger;
  database: Database;
  accounts: Accounts;
  entries: Entries;
  outline: OutlineReader;
  acts: Acts;
  attachments: Attachments;
  bin: Bin;
  desk: DeskReader;
  settings: Settings;
  templates: Templates;
  documents: Documents;
  margin: Margin;
  journal: Journal;
  find: Find;
  imports: Imports;
  notices: Notices;
}

export async function openServices(config: Config, log: Logger): Promise<Services> {
  const database = await Database.open(config.data);
  const entries = new Entries(database);
  const facts = new FactWriter(database.writer);
  const documents = new Documents(database, entries, facts);
  const find = new Find(database, entries);
  const notices = new Notices();
  documents.onAccepted((accepted) => {
    find.noteAccepted(accepted);
    const { ownerId, pageId, changed } = accepted;
    if (changed.length > 0) notices.send(ownerId, { pageId, changed });
  });
  return {
    config,
    log,
    database,
    accounts: new Accounts(database),
    entries,
    outline: new OutlineReader(database, entries),
    acts: new Acts(database, documents, facts),
    attachments: new Attachments(database, config),
    bin: new Bin(database, entries, documents),
    desk: new DeskReader(database, entries),
    settings: new Settings(database),
    templates: new Templates(database),
    documents,
    margin: new Margin(database, entries),
    journal: new Journal(database),
    find,
    imports: new Imports(database, documents, find, facts),
    notices,
  };
}
