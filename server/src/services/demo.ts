import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { addDays } from '@glossarion/core/journal';
import type { Act } from '@glossarion/core/acts';
import type { MarkdownFile } from '@glossarion/core/formats/markdown';
import { ownView, type Viewer } from '../access';
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
