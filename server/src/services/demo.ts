import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { newId, shownWords } from '@glossarion/core/document';
import { addDays } from '@glossarion/core/journal';
import type { Act } from '@glossarion/core/acts';
import type { MarkdownFile } from '@glossarion/core/formats/markdown';
import type { Pigment } from '@glossarion/core/outline';
import type { BroughtForward } from '@glossarion/core/tasks';
import { MoreThan } from 'typeorm';
import { ownedBy, ownView, type Viewer } from '../access';
import { EntryEntity, HappeningEntity } from '../entities';
import type { Services } from '.';
import { DEMO_NAME } from './accounts';
import { attachDemoFiles } from './demoFiles';

/** The demo account can be signed in to by name as well, to try that out. */
export const DEMO_PASSPHRASE = 'tide and timber';

/** `{{day -12}}` in a text or a file's name stands for the day twelve days before the demo starts. */
const DAY_PLACEHOLDER = /\{\{day ([+-]?\d+)\}\}/gu;

/** Reads the demo's notes with every day set relative to today. */
export function readDemoNotes(folder: string, today: string): MarkdownFile[] {
  const dated = (text: string) => text.replace(DAY_PLACEHOLDER, (_whole, days: string) => addDays(today, Number(days)));
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && entry.name.endsWith('.md'))
    .map((entry) => {
      const file = path.join(entry.parentPath, entry.name);
      return { path: dated(path.relative(folder, file)), text: dated(readFileSync(file, 'utf8')) };
    });
}

/** Makes the demo account when it is not there; its notes go through the importer that people use. */
export async function makeDemo(services: Services, folder: string, today: string, isEmpty: boolean): Promise<void> {
  if (await services.accounts.byName(DEMO_NAME)) return;
  const account = await services.accounts.make(DEMO_NAME, DEMO_PASSPHRASE);
  if (isEmpty) return;
  const viewer = ownView(account.id);
  const report = await services.imports.take(viewer, readDemoNotes(folder, today));
  for (const { path: file, what } of report.remarks) services.log.warn(`demo: ${file}: ${what}`);
  await arrange(services, viewer);
  await saveSearches(services, viewer);
  await describeKinds(services, viewer);
  await putOff(services, viewer, today);
  await fillTray(services, viewer, today);
  await countWords(services, viewer);
  await attachDemoFiles(services, viewer, path.join(folder, '../files'));
}

const PINNED = ['Sluice gate no. 2', 'Open day plan', 'Working windows', 'Keyholders'];
const DELETED = ['Second boat', 'Clock'];
const LEAVED = ['Undershot wheel'];
const TEMPLATES = ['Site visit {{number}}'];

/** What notes alone can’t say: pins, leaves, templates, and something in the bin. */
async function arrange({ acts, find }: Services, viewer: Viewer): Promise<void> {
  const wanted: [string[], (id: string) => Act][] = [
    [PINNED, (id) => ({ do: 'pin', id })],
    [DELETED, (id) => ({ do: 'bin', id })],
    [TEMPLATES, (id) => ({ do: 'describe', id, isTemplate: true })],
    [LEAVED, (id) => ({ do: 'describe', id, showsLeaves: true })],
  ];
  const doing: Act[] = [];
  for (const [titles, act] of wanted) {
    for (const title of titles) {
      const found = (await find.byName(viewer, title, 5)).find((each) => each.title === title);
      if (found) doing.push(act(found.id));
    }
  }
  await acts.perform(viewer, doing);
}

/** Searches that are looked for again and again, in their order. */
const SAVED: [name: string, line: string][] = [
  ['Gate and winch, still open', 'gate OR winch has:tasks'],
  ['Lime in the cold', 'lime (frost OR cold) -in:Bin'],
  ['Oak this year', 'tag:timber/oak written:"this year"'],
  ['Who said what of the wheel', 'wheel kind:person'],
  ['Letters', 'letter in:Reading'],
];

async function saveSearches({ acts }: Services, viewer: Viewer): Promise<void> {
  const ids = SAVED.map(() => newId());
  await acts.perform(
    viewer,
    SAVED.map(([name, line], at): Act => ({
      do: 'saveSearch',
      id: ids[at]!,
      saved: { name, line },
      afterId: ids[at - 1] ?? null,
    })),
  );
}

/** Kinds of one's own that notes name, with what they can't say of them. */
const OWN_KINDS: Record<string, { pigment: Pigment; units?: Record<string, string> }> = {
  permit: { pigment: 'vermilion' },
  material: { pigment: 'ochre', units: { Costs: '£' } },
};
/** Where pages of a kind are begun. */
const PLACES: Record<string, string> = { person: 'People & Firms', firm: 'Suppliers', reading: 'Books' };

async function describeKinds({ acts, find, kinds }: Services, viewer: Viewer): Promise<void> {
  const tree = await kinds.tree(viewer);
  const doing: Act[] = [];
  for (const [name, { pigment, units = {} }] of Object.entries(OWN_KINDS)) {
    const kind = tree.named(name);
    if (!kind) continue;
    doing.push({ do: 'describeKind', id: kind.id, pigment });
    for (const [field, unit] of Object.entries(units)) {
      const found = tree.fieldNamed([kind.id], field);
      if (found) doing.push({ do: 'setField', id: found.id, kindId: kind.id, unit });
    }
  }
  for (const [name, title] of Object.entries(PLACES)) {
    const place = (await find.byName(viewer, title, 5)).find((each) => each.title === title);
    const kind = tree.named(name);
    if (place && kind) doing.push({ do: 'describeKind', id: kind.id, placeId: place.id });
  }
  await acts.perform(viewer, doing);
}

/** The notebook of the demo's notes that holds what becomes jottings. */
const TRAY = 'Tray';
/** Jottings that come back, by what they begin with: so many days from now. */
const COME_BACK: [beginning: string, days: number][] = [
  ['Frost on the apron', 0],
  ['Not below five degrees', 95],
  ['Spare key', 2],
];
const KEPT = ['Joss says', 'Half Ebb'];

/** Makes jottings of the pages that came for the Tray, and takes away the notebook that they came in. */
async function fillTray({ acts, bin, outline }: Services, viewer: Viewer, today: string): Promise<void> {
  const notebook = outline.notebooks(viewer).find(({ name }) => name === TRAY);
  if (!notebook) return;
  const pages = outline.beneath(viewer, notebook.id, 1);
  await acts.perform(
    viewer,
    pages.map(({ id, firstWords }): Act => {
      const back = COME_BACK.find(([beginning]) => firstWords.startsWith(beginning));
      const isKept = KEPT.some((beginning) => firstWords.startsWith(beginning));
      const comesBack = back ? addDays(today, back[1]) : null;
      return { do: 'tray', id, jotting: isKept ? 'kept' : 'waiting', comesBack };
    }),
  );
  await acts.perform(viewer, [{ do: 'bin', id: notebook.id }]);
  await bin.purge(viewer, notebook.id);
}

/** Tasks that were put off, by what their lines begin with; the last as often as it is named. */
const PUT_OFF = ['Ask Tomas Wren', 'Ask Tomas Wren', 'Count slates', 'Glass for the west light'];

/** Puts some tasks off as people do, a day at a time, and lets them come back today. */
async function putOff({ acts, tasks }: Services, viewer: Viewer, today: string): Promise<void> {
  for (const [index, beginning] of PUT_OFF.entries()) {
    const brought = await tasks.brought(viewer, today, today, true);
    const found = brought.tasks.find(
      ({ node, page }) => page.day !== null && shownWords(node, (id) => titleIn(brought, id)).startsWith(beginning),
    );
    if (!found) continue;
    const set = (day: string): Act => ({
      do: 'setTask',
      id: found.page.pageId,
      blockId: found.blockId,
      change: { set: 'for', day },
      occurrence: null,
    });
    // Earlier days are those of another time: here each is put off to tomorrow, and moved back to be there today.
    await acts.perform(viewer, [set(addDays(today, 1 + index))]);
    await acts.perform(viewer, [set(today)]);
  }
}

/** What was taken in is nobody’s typing: here days were written on themselves, and pages when they were begun. */
async function countWords({ database }: Services, viewer: Viewer): Promise<void> {
  await database.write(async (manager) => {
    const pages = await manager.find(EntryEntity, {
      where: { ...ownedBy(viewer), kind: 'page', wordCount: MoreThan(0) },
    });
    const rows = pages.map(({ id, day, begunAt, wordCount }) => ({
      ...ownedBy(viewer),
      ...{ documentId: id, what: 'words' as const, day: day ?? begunAt.slice(0, 10), words: wordCount },
    }));
    await manager.createQueryBuilder().insert().into(HappeningEntity).values(rows).orIgnore().execute();
  });
}

const titleIn = ({ targets }: BroughtForward, id: string): string =>
  targets.find((each) => each.id === id)?.title ?? '';
