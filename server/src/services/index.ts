import type { Logger } from 'pino';
import type { Config } from '../config';
import { Database } from '../database/database';
import { existsSync } from 'node:fs';
import path from 'node:path';
import { inlineHelper, threadHelper } from '../background/helper';
import { Accounts } from './accounts';
import { Acts } from './acts';
import { AlsoNamed } from './alsoNamed';
import { Attachments } from './attachments';
import { Background } from './background';
import { Bin } from './bin';
import { CalendarFiles } from './calendarFiles';
import { OutlineReader } from './contents';
import type { Viewer } from '../access';
import { CountedLanguages } from './countedLanguages';
import { DeskReader } from './desk';
import { Documents } from './documents';
import { Entries } from './entries';
import { FactWriter } from './facts';
import { bringFactsInLine } from './factsDue';
import { FileTexts } from './fileTexts';
import { FileWords } from './fileWords';
import { Exports } from './exports';
import { Find } from './find';
import { LinesToFind } from './find/linesToFind';
import { Vocabularies } from './find/vocabularies';
import { Glimpses } from './glimpses';
import { Imports } from './imports';
import { clearBrokenImports } from './importsUnderWay';
import { Journal } from './journal';
import { KinReader } from './kin';
import { Kinds } from './kinds';
import { LogReader } from './log';
import { Margin } from './margin';
import { Meetings } from './meetings';
import { Notices } from './notices';
import { Pages } from './pages';
import { PagesOfKinds } from './pagesOfKind';
import { PickableNames } from './pickables';
import { Placing } from './placing';
import { ReferringLines } from './referring';
import { Reviews } from './review';
import { ShownLines } from './shownLines';
import { FoundLists } from './foundLists';
import { Replacing } from './replacing';
import { ServerFolder } from './serverFolder';
import { Settings } from './settings';
import { Tags } from './tags';
import { TaskLists } from './taskLists';
import { Tasks } from './tasks';
import { Templates } from './templates';
import { TrayReader } from './tray';
import { toldOf } from './told';
import { Works } from './works';
import { WornTags } from './wornTags';
import { WebTitles } from './webTitles';
import { Threads } from '../threads/threads';
import { HappeningWriter } from './happenings';
import { Zones } from './zones';

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
  calendarFiles: CalendarFiles;
  desk: DeskReader;
  pages: Pages;
  settings: Settings;
  tags: Tags;
  wornTags: WornTags;
  kinds: Kinds;
  pagesOfKinds: PagesOfKinds;
  meetings: Meetings;
  reviews: Reviews;
  tasks: Tasks;
  taskLists: TaskLists;
  templates: Templates;
  tray: TrayReader;
  documents: Documents;
  margin: Margin;
  logs: LogReader;
  alsoNamed: AlsoNamed;
  kin: KinReader;
  glimpses: Glimpses;
  pickables: PickableNames;
  webTitles: WebTitles;
  background: Background;
  threads: Threads;
  /** The names of one entry changed: what was kept of them is brought in line. */
  noteName: (accountId: string, id: string) => void;
  /** The names of many did. */
  forgetNames: (accountId: string) => void;
  journal: Journal;
  find: Find;
  exports: Exports;
  serverFolder: ServerFolder;
  imports: Imports;
  works: Works;
  replacing: Replacing;
  foundLists: FoundLists;
  notices: Notices;
}

/** So many pages that a query line finds are taken out at once. */
const MOST_EXPORTED = 1_000;

export async function openServices(config: Config, log: Logger): Promise<Services> {
  const database = await Database.open(config.data, config.serverLimit);
  const countedLanguages = await CountedLanguages.open(database);
  const facts = new FactWriter(database, (accountId, row) => countedLanguages.of(accountId, row));
  await clearBrokenImports(database, facts);
  await bringFactsInLine(database, facts);
  const notices = new Notices();
  const tags = new Tags(database, facts, (accountId) => notices.send(accountId, { what: 'tags', ids: null }));
  const kinds = new Kinds(database);
  const entries = new Entries(database, tags);
  const tray = new TrayReader(database, entries);
  const tasks = new Tasks(database, entries, tray);
  const taskLists = new TaskLists(database, entries, kinds);
  const zones = new Zones(database);
  const referring = new ReferringLines(database, entries);
  const lines = new ShownLines(database, facts);
  const works = new Works(config, notices, log);
  const documents = new Documents(database, facts, tags, new HappeningWriter(zones));
  const find = new Find(
    database,
    entries,
    tags,
    kinds,
    new Vocabularies(database, facts),
    new LinesToFind(database, facts),
    zones,
  );
  const pickables = new PickableNames(database, kinds);
  const calendarFiles = new CalendarFiles(database, entries, tasks);
  const margin = new Margin(database, entries, referring, tags, kinds, new Placing(database, entries), lines);
  const script = new URL('./worker.mjs', import.meta.url);
  const threads = new Threads(new URL('./thread.mjs', import.meta.url));
  const helper = existsSync(script) ? threadHelper(script, database.file) : inlineHelper(database.reader);
  const attachments = new Attachments(database, config, threads);
  const fileWords = new FileWords(database, facts);
  const reading = new FileTexts(database, attachments, facts, fileWords, threads, log).reading();
  attachments.onTake(() => reading.poke());
  attachments.onLetGo((id) => fileWords.uncount(id));
  const counting = countedLanguages.counting(facts, log);
  const background = new Background(database, helper, [reading, counting], notices, log);
  /** Somebody may have said which languages they write, or what they write may be all there now. */
  const noteLanguages = (viewer: Viewer) => {
    countedLanguages.note(viewer);
    counting.poke();
  };
  const noteName = (accountId: string, id: string) => {
    find.note(accountId, id);
    pickables.note(accountId, id);
    background.poke();
  };
  const forgetNames = (accountId: string) => {
    find.forget(accountId);
    pickables.forget(accountId);
    background.forget(accountId);
  };
  documents.onAccepted((accepted) => {
    const { accountId, pageId, changed } = accepted;
    if (changed.includes('title') || changed.includes('kinds')) noteName(accountId, pageId);
    background.poke();
    notices.send(accountId, ...toldOf(entries, accepted));
  });
  return {
    config,
    log,
    database,
    accounts: new Accounts(database, config),
    entries,
    outline: new OutlineReader(database, entries),
    acts: new Acts(database, documents, facts, kinds, tags),
    attachments,
    bin: new Bin(database, entries, documents, facts, find),
    calendarFiles,
    desk: new DeskReader(database, entries, tasks, tray, zones),
    pages: new Pages(database, entries),
    settings: new Settings(database, zones, noteLanguages),
    tags,
    wornTags: new WornTags(database, entries, tags, kinds, referring, lines, zones),
    kinds,
    pagesOfKinds: new PagesOfKinds(database, entries, kinds),
    tasks,
    taskLists,
    reviews: new Reviews(database, entries, kinds, zones),
    meetings: new Meetings(database, entries, kinds, taskLists),
    templates: new Templates(database),
    tray,
    documents,
    margin,
    logs: new LogReader(database, referring, kinds, taskLists, lines, zones, tags),
    alsoNamed: new AlsoNamed(database, entries),
    kin: new KinReader(database, entries, background, tags),
    glimpses: new Glimpses(database, entries),
    pickables,
    webTitles: new WebTitles(path.resolve('standins/web')),
    background,
    threads,
    noteName,
    forgetNames,
    journal: new Journal(database, entries, tasks, zones),
    find,
    foundLists: new FoundLists(database, entries, find, kinds, lines),
    replacing: new Replacing(database, entries, find),
    exports: new Exports(
      {
        ...{ database, threads, kinds, attachments, calendarFiles, margin },
        reader: (viewer) => entries.reader(viewer),
        find: async (viewer, line, habits) => {
          const { findings, isMore } = await find.find(viewer, line, MOST_EXPORTED, habits);
          return { ids: findings.map(({ id }) => id), isMore };
        },
        siteFiles: new URL('./site/', import.meta.url),
      },
      works,
    ),
    serverFolder: new ServerFolder(config),
    imports: new Imports(
      database,
      documents,
      forgetNames,
      facts,
      tags,
      kinds,
      threads,
      works,
      attachments,
      noteLanguages,
    ),
    works,
    notices,
  };
}
