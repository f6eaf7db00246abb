import Papa from 'papaparse';
import { fileName, FolderNames } from '../account/paths';
import { TITLE_COLUMN } from '../csv';
import type { FrontField } from '../markdown/fields';
import { nameOf } from '../markdown/paths';
import type { ReadFile } from '../markdown/readFile';
import { ENDINGS } from './endings';
import { folderOf, lineOf, pageRead, Refusal, type Reader } from './reader';

/** A column is a field of at most so many letters in its name, and a table has at most so many. */
const MAX_COLUMNS = 60;
const MAX_NAME = 100;

/** What columns of titles are called. */
const TITLES = new Set([TITLE_COLUMN.toLowerCase(), 'name', 'full name', 'page']);

/** A table of comma-separated values: a page for each row, of a kind that is called like the file. */
export const csv: Reader = {
  endings: ENDINGS.csv,
  isCollection: true,
  read({ path, text }) {
    const { data } = Papa.parse<string[]>(text.replace(/^\ufeff/u, ''), { skipEmptyLines: 'greedy' });
    const [head = [], ...rows] = data;
    if (head.length === 0 || rows.length === 0) throw new Refusal('It is a table without rows, and was left out.');
    if (head.length > MAX_COLUMNS) throw new Refusal(`It has more than ${MAX_COLUMNS} columns, and was left out.`);
    const columns = columnsOf(head);
    const titleAt = Math.max(
      0,
      columns.findIndex((name) => TITLES.has(name.toLowerCase())),
    );
    const kind = nameOf(folderOf(path)).slice(0, MAX_NAME).trim() || 'row';
    const names = new FolderNames();
    return rows.map((row): ReadFile => {
      const title = (row[titleAt] ?? '').replaceAll(/\s+/gu, ' ').trim();
      const said = columns.flatMap((name, index): [string, FrontField][] => {
        const value = (row[index] ?? '').trim();
        return index === titleAt || value === '' ? [] : [[name, { values: [value] }]];
      });
      // What is more than there are columns for is kept as lines.
      const more = row.slice(columns.length).filter((each) => each.trim() !== '');
      const file = names.take('', fileName(title || 'row'));
      return pageRead(
        `${folderOf(path)}/${file}.md`,
        { title, kinds: [kind], fields: Object.fromEntries(said) },
        more.map((each) => lineOf(each)),
      );
    });
  },
};

/** The names of columns, each once. */
function columnsOf(head: readonly string[]): string[] {
  const names = new FolderNames();
  return head.map((name, index) => names.take('columns', name.trim().slice(0, MAX_NAME) || `Column ${index + 1}`));
}
