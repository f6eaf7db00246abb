import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { withTagIds, type BodyJson } from '../document';
import { planImport, type MarkdownFile } from '../formats/markdown';
import { addDays, dayTitleWithYear } from '../journal';
import { foldTag } from '../tags';

/** The demo notes, as the importer reads them, for tests that judge by them. */

const TODAY = '2026-11-24';
/** What the ids of days begin with here. */
const DAY = 'day ';
const NOTES = path.join(__dirname, '../../../demo/notes');

export interface DemoPage {
  id: string;
  /** The title, or for a day how many days before the demo's today it was. */
  name: string | number;
  /** What a page stands in; nothing for a day. */
  section: string;
  body: BodyJson;
}

export function demoPages(): { pages: DemoPage[]; titleOf: (id: string) => string } {
  const dated = (text: string) =>
    text.replace(/\{\{day ([+-]?\d+)\}\}/gu, (_whole, days: string) => addDays(TODAY, Number(days)));
  const files: MarkdownFile[] = readdirSync(NOTES, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => {
      const file = path.join(entry.parentPath, entry.name);
      return { path: dated(path.relative(NOTES, file)), text: dated(readFileSync(file, 'utf8')) };
    });
  const plan = planImport(files, { dayIdOf: (day) => `${DAY}${day}`, looseNotebook: 'Loose' });
  // A tag’s folded name stands for the id it would have.
  const stored = ({ content }: BodyJson): BodyJson => ({
    type: 'doc',
    content: withTagIds(content, ({ name }) => foldTag(name)),
  });
  const daysAgo = (day: string) => Math.round((Date.parse(TODAY) - Date.parse(day)) / 86_400_000);
  const names = new Map(plan.entries.map((entry) => [entry.id, entry.name]));
  const pages: DemoPage[] = [
    ...plan.entries
      .filter((entry) => entry.kind === 'page')
      .map((entry) => ({
        id: entry.id,
        name: entry.name,
        section: names.get(entry.parentId ?? '') ?? '',
        body: stored(entry.body!),
      })),
    ...plan.days.map(({ day, body }) => ({ id: `${DAY}${day}`, name: daysAgo(day), section: '', body: stored(body) })),
  ];
  const titles = new Map(pages.map((page) => [page.id, String(page.name)]));
  const titleOf = (id: string) =>
    id.startsWith(DAY) ? dayTitleWithYear(id.slice(DAY.length)) : (titles.get(id) ?? '');
  return { pages, titleOf };
}
