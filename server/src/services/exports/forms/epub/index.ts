import { newId } from '@glossarion/core/document';
import {
  BOOK_FOLDER,
  BOOK_INDEX,
  BOOK_NAV,
  BOOK_NCX,
  BOOK_PACKAGE,
  BOOK_SHEET,
  bookSheet,
  writeContainer,
  writeIndex,
  writeLeaf,
  writeNav,
  writeNcx,
  writePackage,
  type BookItem,
} from '@glossarion/core/formats/book';
import type { Placed } from '@glossarion/core/formats/account';
import type { ContentsLine } from '@glossarion/core/formats/site';
import type { BookToWrite } from '../../../../threads/writeBook';
import { allOtherNames } from '../../../otherNames';
import { AttachedFiles } from '../../attached';
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
import { writeZip, type ZipEntry } from '../../zip';
import type { Form } from '../form';
import { filesIn, lettersSheet } from '../site/shipped';

/** How long writing one piece may take, in milliseconds. */
const WITHIN = 120_000;
const LANGUAGE = 'en';
/** The letters of texts in Latin script; readers of books have others. */
const LETTERS = /^alegreya-latin(?:-ext)?-(?:400|700)-(?:normal|italic)\.woff2$/u;
const XHTML = 'application/xhtml+xml';
/** What every reader of books shows (EPUB 3.3, 3.2). */
const PICTURES = new Set(['image/png', 'image/jpeg', 'image/gif', 'image/webp', 'image/svg+xml']);

/** A book that readers of books open: contents, cross references, and an index of what is named where. */
export const epub: Form = {
  ending: '.epub',
  media: 'application/epub+zip',
  write: (outgoing, target) =>
    writeZip(target, pieces({ ...outgoing, entries: bound(outgoing) }), outgoing.progress.signal),
};

/** Of all there is, what is no jotting; of a part, all of it. Nothing that is in the bin. */
const bound = ({ entries, roots, isWhole }: Outgoing): ExportedEntry[] =>
  outOfBin(entries, roots).filter(({ jotting }) => jotting === null || !isWhole);

async function* pieces(outgoing: Outgoing): AsyncGenerator<ZipEntry[]> {
  const { context, viewer, entries, title, progress } = outgoing;
  const { database, threads, kinds, reader: readerOf } = context;
  const at = new Date();
  const placed = new Map(
    entries.map(({ id }, index): [string, Placed] => [
      id,
      { path: `text/${index + 1}.xhtml`, folder: 'text', name: String(index + 1) },
    ]),
  );
  const pathOf = (id: string): string | null => placed.get(id)?.path ?? null;
  const titles = titlesOf(outgoing);
  const titleOf = (id: string): string => titles.get(id) ?? '';
  const names = await allOtherNames(database, viewer);
  const { kinds: allKinds, fields } = (await kinds.tree(viewer)).everything();
  const attached = new AttachedFiles(context, viewer);
  const named = new NamedWhere(readerOf(viewer), pathOf, titleOf, new Map(entries.map(({ id }, index) => [id, index])));
  const within = (path: string): string => `${BOOK_FOLDER}/${path}`;
  const lists = listed(outgoing);
  progress.total = pagesAmong(outgoing).length;

  // What reads books looks for this before all else, as it stands (EPUB 3.3, 4.3.4).
  yield [{ path: 'mimetype', at, text: 'application/epub+zip', isBare: true }];
  yield [{ path: 'META-INF/container.xml', at, text: writeContainer() }];
  const letters = (await filesIn(context.siteFiles)).filter(({ path }) => LETTERS.test(path));
  const faces = (await lettersSheet(context.siteFiles)).match(/@font-face \{[^}]*\}/gu) ?? [];
  const shipped = faces.filter((face) => letters.some(({ path }) => face.includes(`url(${path})`)));
  yield [
    { path: within(BOOK_SHEET), at, text: `${shipped.join('\n').replaceAll('url(', 'url(letters/')}${bookSheet()}` },
  ];
  for (const { path, from } of letters) yield [{ path: within(`letters/${path}`), at, from }];
  for (const entry of entries) {
    if (entry.kind === 'page') continue;
    yield [{ path: within(pathOf(entry.id)!), at, text: writeLeaf(titleOf(entry.id), LANGUAGE, entry.description) }];
  }
  const write = async (pages: PageOut[]): Promise<ZipEntry[]> => {
    const reader = readerOf(viewer);
    const all = new Set(pages.flatMap(({ ids }) => [...ids]));
    await attached.look([...all].filter((id) => !titles.has(id)));
    const written = pages.map((page): BookToWrite['pages'][number] => {
      const { entry, json, ids } = page;
      named.add(page);
      const files = Object.entries(attached.of(ids)).filter(([id]) => PICTURES.has(attached.mediaOf(id)));
      return {
        ...{ path: pathOf(entry.id)!, title: titleOf(entry.id), language: LANGUAGE, json },
        named: namedIn(ids, reader, placed, titles, () => null),
        files: Object.fromEntries(files),
        otherNames: names.get(entry.id) ?? [],
        beneath: linesOf(entry.id, 1),
      };
    });
    const options = { within: WITHIN, signal: progress.signal };
    const done = await threads.run('writeBook', { pages: written, kinds: allKinds, fields }, options);
    return done.map((archived, index) => ({ path: within(written[index]!.path), at, archived }));
  };
  const linesOf = (id: string, levels = Infinity): ContentsLine[] =>
    (lists.get(id) ?? []).map((entry) => lineOf(entry, levels));
  const lineOf = (entry: ExportedEntry, levels = Infinity): ContentsLine => ({
    title: titleOf(entry.id),
    path: pathOf(entry.id)!,
    isPage: entry.kind === 'page',
    ...(levels > 1 && { beneath: linesOf(entry.id, levels - 1) }),
  });
  for await (const written of ahead(pagesOut(outgoing), write, atOnceFor(outgoing))) {
    yield written;
    progress.done += written.length;
  }
  const pictures = attached.all().filter(({ media }) => PICTURES.has(media));
  const shown = new Set(pictures.map(({ path }) => path));
  for (const content of attached.contents(progress)) {
    if (shown.has(content[0]!.path)) yield content.map((each) => ({ ...each, path: within(each.path) }));
  }
  const part = async (path: string, parts: Iterable<string>): Promise<ZipEntry[]> => [
    { path: within(path), at, text: await gathered(parts) },
  ];
  const unlisted = entries.filter((entry) => entry.kind === 'page' && !isListed(entry)).map((entry) => lineOf(entry));
  const index = named.entries();
  const contents = [...linesOf(''), ...unlisted];
  if (index.length > 0) yield await part(BOOK_INDEX, writeIndex(LANGUAGE, index));
  const items: BookItem[] = [
    { path: BOOK_SHEET, media: 'text/css', isText: false },
    ...letters.map(({ path }) => ({ path: `letters/${path}`, media: 'font/woff2', isText: false })),
    ...entries.map(({ id }) => ({ path: pathOf(id)!, media: XHTML, isText: true })),
    ...(index.length > 0 ? [{ path: BOOK_INDEX, media: XHTML, isText: true }] : []),
    ...pictures.map(({ path, media }) => ({ path, media, isText: false })),
  ];
  const id = newId();
  const lines = index.length > 0 ? [...contents, { title: 'Index', path: BOOK_INDEX, isPage: true }] : contents;
  yield await part(BOOK_NAV, writeNav(title, LANGUAGE, lines));
  yield await part(BOOK_NCX, writeNcx(id, title, lines));
  const book = { id, title, language: LANGUAGE, at: at.toISOString(), items };
  yield await part(BOOK_PACKAGE, writePackage(book));
}
