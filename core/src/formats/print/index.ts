import type { Element, ElementContent } from 'hast';
import { toHtml } from 'hast-util-to-html';
import { element, htmlText } from '../../document/kinds';
import { settled, sortedByLetter, type BookPage, type IndexEntry } from '../book';
import { HERE, partedHere } from '../xml';
import { textTree, type ContentsLine } from '../site';

export * from './sheet';

/** A page of a printed book. */
export interface PrintedPage extends BookPage {
  id: string;
  /** Its number in the contents: "II 2.1". */
  folio: string;
  /** The numbers of what it leads to, by the ids. */
  folios: Readonly<Record<string, string>>;
}

const NAMELESS = 'Nameless page';
const named = (title: string): string => title.trim() || NAMELESS;

/** What stands before the first page: the head of the file, and the leaf with the title. */
export const printHead = (title: string, language: string, sheet: string, at: string): string =>
  `<!doctype html><html lang="${language}"><head><meta charset="utf-8">${toHtml([
    element('meta', { name: 'viewport', content: 'width=device-width, initial-scale=1' }),
    element('title', {}, [htmlText(title)]),
  ])}<style>${sheet}</style></head><body>${toHtml(
    element('header', { className: ['title-leaf'] }, [
      element('h1', {}, [htmlText(title)]),
      element('p', {}, [htmlText(at)]),
    ]),
  )}<main>`;

export const PRINT_END = '</main></body></html>\n';

/** A line of the contents of a book, with its number. */
export interface PrintedLine extends ContentsLine {
  id: string;
  folio: string;
  beneath?: readonly PrintedLine[];
}

const contentsOf = (lines: readonly PrintedLine[]): Element =>
  element(
    'ol',
    {},
    lines.map(({ id, title, folio, isPage, beneath = [] }) =>
      element('li', { className: [isPage ? 'page' : 'part'] }, [
        element('a', { href: `#${id}` }, [
          element('span', { className: ['name'] }, [htmlText(named(title))]),
          element('span', { className: ['folio'] }, [htmlText(folio)]),
        ]),
        ...(beneath.length > 0 ? [contentsOf(beneath)] : []),
      ]),
    ),
  );

export const printContents = (lines: readonly PrintedLine[]): string =>
  toHtml(
    element('nav', { className: ['contents-leaf'], ariaLabel: 'Contents' }, [
      element('h2', {}, [htmlText('Contents')]),
      contentsOf(lines),
    ]),
  );

const head = (id: string, folio: string, title: string): Element =>
  element('h2', { className: ['chapter'], id }, [
    ...(folio ? [element('span', { className: ['folio'] }, [htmlText(folio)])] : []),
    htmlText(named(title)),
  ]);

/** The leaf before what stands in a notebook or a section. */
export const printLeaf = (id: string, folio: string, title: string, description: string, isOuter: boolean): string =>
  toHtml(
    element('section', { className: isOuter ? ['part', 'outer'] : ['part'] }, [
      head(id, folio, title),
      ...(description ? [element('p', {}, [htmlText(description)])] : []),
    ]),
  );

/** A page, with the number of what each of its links leads to. */
export function printPage(page: PrintedPage): string {
  const { id, folio, folios, title, otherNames, fields } = page;
  const tree = textTree(page, () => true);
  settled(tree);
  withFolios(tree, folios);
  const said = fields.flatMap(({ name, words }) => [
    element('dt', {}, [htmlText(name)]),
    element('dd', {}, [htmlText(words)]),
  ]);
  return toHtml(
    element('section', { className: ['page'] }, [
      head(id, folio, title),
      ...(otherNames.length > 0
        ? [element('p', { className: ['note'] }, [htmlText(`Also ${otherNames.join(', ')}`)])]
        : []),
      ...(said.length > 0 ? [element('dl', {}, said)] : []),
      tree,
    ]),
  );
}

/** On paper a link is followed by the number of where it leads. */
function withFolios(parent: Element, folios: Readonly<Record<string, string>>): void {
  parent.children = parent.children.flatMap((child): ElementContent[] => {
    if (child.type !== 'element') return [child];
    withFolios(child, folios);
    const number = child.tagName === 'a' ? folios[String(child.properties.dataTarget)] : undefined;
    return number ? [child, element('span', { className: ['led'] }, [htmlText(` (${together(number)})`)])] : [child];
  });
}

/** A number is not broken over two lines. */
const together = (folio: string): string => folio.replaceAll(' ', '\u00a0');

/** The index: what is named in the book, with the numbers of the pages where. */
export function* printIndex(
  language: string,
  entries: readonly (IndexEntry & { folios: readonly string[] })[],
): Generator<string> {
  const heading = element('h2', { className: ['chapter'] }, [htmlText('Index')]);
  const columns = element('div', { className: ['columns'] }, [HERE]);
  const [before, after] = partedHere(toHtml(element('section', { className: ['index'] }, [heading, columns])));
  yield before!;
  for (const [letter, own] of sortedByLetter(language, entries)) {
    yield `${toHtml(element('h3', {}, [htmlText(letter)]))}<ul>`;
    for (const { name, isTag, folios } of own) {
      const named = element('span', { className: [isTag ? 'tag' : 'name'] }, [htmlText(name)]);
      yield toHtml(element('li', {}, [named, htmlText(` · ${folios.map(together).join(', ')}`)]));
    }
    yield '</ul>';
  }
  yield after!;
}
