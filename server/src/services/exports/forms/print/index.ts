import { readFile } from 'node:fs/promises';
import type { Placed } from '@glossarion/core/formats/account';
import {
  printContents,
  printHead,
  printIndex,
  printLeaf,
  printSheet,
  PRINT_END,
  type PrintedLine,
} from '@glossarion/core/formats/print';
import { dateShort } from '@glossarion/core/journal';
import type { PrintToWrite } from '../../../../threads/writePrint';
import { allOtherNames } from '../../../otherNames';
import { outOfBin, type ExportedEntry } from '../../entries';
import { isListed, listed } from '../../front';
import { namedIn } from '../../named';
import { NamedWhere } from '../../namedWhere';
import {
  ahead,
  atOnceFor,
  gathered,
  pagesAmong,
  pagesOut,
  titlesOf,
  type Outgoing,
  type PageOut,
} from '../../outgoing';
import { writeText } from '../../text';
import type { Form } from '../form';
import { lettersWithin } from '../site/shipped';
import { numbersOf } from './numbers';

/** How long writing one piece may take, in milliseconds. */
const WITHIN = 120_000;
const LANGUAGE = 'en';
/** Every page is in the one file. */
const FILE = 'book.html';
const PICTURES = /^image\/(?:png|jpeg|gif|webp|svg\+xml|avif)$/u;
/** A picture of more bytes is left out: all of them are within the file. */
const MAX_PICTURE = 12_000_000;

/** One page for paper: contents, the number of what each link leads to, an index. */
export const print: Form = {
  ending: '.html',
  media: 'text/html; charset=utf-8',
  isOpened: true,
  write: (outgoing, target) => {
    const entries = outOfBin(outgoing.entries, outgoing.roots).filter(
      ({ jotting }) => jotting === null || !outgoing.isWhole,
    );
    return writeText(target, pieces({ ...outgoing, entries }), outgoing.progress.signal);
  },
};

async function* pieces(outgoing: Outgoing): AsyncGenerator<string> {
  const { context, viewer, entries, title, progress } = outgoing;
  const { database, threads, kinds, reader: readerOf, attachments } = context;
  const titles = titlesOf(outgoing);
  const titleOf = (id: string): string => titles.get(id) ?? '';
  const numbers = numbersOf(outgoing);
  const placed = new Map(entries.map(({ id }): [string, Placed] => [id, { path: `#${id}`, folder: '', name: id }]));
  const places = new Map(entries.map(({ id }, index) => [id, index]));
  const pathOf = (id: string): string | null => (placed.has(id) ? `#${id}` : null);
  const named = new NamedWhere(readerOf(viewer), pathOf, titleOf, places);
  const names = await allOtherNames(database, viewer);
  const { kinds: allKinds, fields } = (await kinds.tree(viewer)).everything();
  const lists = listed(outgoing);
  const { roots } = outgoing;
  progress.total = pagesAmong(outgoing).length;

  const lineOf = (entry: ExportedEntry): PrintedLine => ({
    ...{ id: entry.id, title: titleOf(entry.id), path: FILE, isPage: entry.kind === 'page' },
    folio: numbers.get(entry.id) ?? '',
    beneath: linesOf(entry.id),
  });
  const linesOf = (id: string): PrintedLine[] => (lists.get(id) ?? []).map(lineOf);
  const unlisted = entries.filter((entry) => entry.kind === 'page' && !isListed(entry)).map(lineOf);
  const whole = linesOf('');
  // What is printed by itself is the title of all of it.
  const contents = [...(roots.size === 1 ? (whole[0]?.beneath ?? []) : whole), ...unlisted];
  const sheet = `${await lettersWithin(context.siteFiles)}${printSheet()}`;
  yield printHead(title, LANGUAGE, sheet, dateShort(new Date().toISOString().slice(0, 10)));
  if (contents.length > 1) yield printContents(contents);

  const picturesOf = async (ids: ReadonlySet<string>): Promise<Map<string, string>> => {
    const pictures = new Map<string, string>();
    const unknown = [...ids].filter((id) => !titles.has(id));
    for (const { id, media, path } of await attachments.present(viewer, unknown)) {
      if (!PICTURES.test(media)) continue;
      const bytes = await readFile(path);
      if (bytes.length <= MAX_PICTURE) pictures.set(id, `data:${media};base64,${bytes.toString('base64')}`);
    }
    return pictures;
  };
  const write = async (pages: PageOut[]): Promise<{ pages: PageOut[]; texts: string[] }> => {
    const reader = readerOf(viewer);
    const ids = new Set(pages.flatMap((page) => [...page.ids]));
    const pictures = await picturesOf(ids);
    const written = pages.map((page): PrintToWrite['pages'][number] => {
      const { entry, json, ids: own } = page;
      named.add(page);
      const leading = namedIn(own, reader, placed, titles, () => null);
      for (const each of Object.values(leading)) if (each.anchor && each.path !== null) each.path = FILE;
      const folios = [...own].flatMap((id) => {
        const number = numbers.get(placed.has(id) ? id : reader.target(id).pageId);
        return number ? [[id, number]] : [];
      });
      return {
        ...{ id: entry.id, path: FILE, title: titleOf(entry.id), language: LANGUAGE, json, named: leading },
        ...{ folio: numbers.get(entry.id) ?? '', folios: Object.fromEntries(folios) as Record<string, string> },
        files: Object.fromEntries([...own].flatMap((id) => (pictures.has(id) ? [[id, pictures.get(id)!]] : []))),
        otherNames: names.get(entry.id) ?? [],
        beneath: linesOf(entry.id).map(({ beneath: _beneath, ...line }) => ({ ...line, path: `#${line.id}` })),
      };
    });
    const options = { within: WITHIN, signal: progress.signal };
    const texts = await threads.run('writePrint', { pages: written, kinds: allKinds, fields }, options);
    return { pages, texts };
  };
  let next = 0;
  /** The leaves of what is no page, up to a page. */
  const leavesTo = (last: number): string => {
    let leaves = '';
    for (; next <= last; next += 1) {
      const { id, kind, parentId, description } = entries[next]!;
      if (kind === 'page' || roots.has(id)) continue;
      const isOuter = parentId === null || roots.has(parentId);
      leaves += printLeaf(id, numbers.get(id) ?? '', titleOf(id), description, isOuter);
    }
    return leaves;
  };
  for await (const { pages, texts } of ahead(pagesOut(outgoing), write, atOnceFor(outgoing))) {
    yield pages.map(({ entry }, index) => leavesTo(places.get(entry.id)!) + texts[index]!).join('');
    progress.done += pages.length;
  }
  yield leavesTo(entries.length - 1);
  const index = named.entries().map((entry) => ({
    ...entry,
    folios: entry.in.flatMap(({ path }) => numbers.get(path.slice(1)) || []),
  }));
  const shown = index.filter(({ folios }) => folios.length > 0);
  if (shown.length > 0) yield await gathered(printIndex(LANGUAGE, shown));
  yield PRINT_END;
}
