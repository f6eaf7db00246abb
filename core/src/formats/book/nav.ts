import { x } from 'xastscript';
import { element, htmlText } from '../../document/kinds';
import { foldWords } from '../../words/words';
import { addressFrom } from '../account/paths';
import type { ContentsLine } from '../site';
import { HERE, partedHere, xmlText } from '../xml';
import { BOOK_SHEET, xhtml } from './xhtml';

export const BOOK_NAV = 'nav.xhtml';
export const BOOK_INDEX = 'text/index.xhtml';

/*
 * What says of all of a book is written in pieces: of very many pages one tree takes a hundred megabytes, and seconds.
 */

const link = (from: string, path: string, words: string) =>
  x('a', { href: addressFrom(from, path) }, words.trim() || 'Nameless page');

function* contents(lines: readonly ContentsLine[]): Generator<string> {
  yield '<ol>';
  for (const { title, path, beneath = [] } of lines) {
    yield `<li>${xmlText(link(BOOK_NAV, path, title))}`;
    if (beneath.length > 0) yield* contents(beneath);
    yield '</li>';
  }
  yield '</ol>';
}

/** The navigation document (EPUB 3.3, 7): the contents of a book. */
export function* writeNav(title: string, language: string, lines: readonly ContentsLine[]): Generator<string> {
  const heading = element('h1', {}, [htmlText('Contents')]);
  const nav = element('nav', { 'epub:type': 'toc', id: 'toc' }, [heading, HERE]);
  const [before, after] = partedHere(xhtml(title, language, [nav], BOOK_SHEET));
  yield before!;
  yield* contents(lines);
  yield after!;
}

/** The leaf before what stands in a notebook or a section. */
export const writeLeaf = (title: string, language: string, description: string): string =>
  xhtml(title, language, [
    element('section', { 'epub:type': 'part', className: ['leaf'] }, [
      element('h1', {}, [htmlText(title)]),
      ...(description ? [element('p', {}, [htmlText(description)])] : []),
    ]),
  ]);

/** What is named in a book, with the pages that name it. */
export interface IndexEntry {
  name: string;
  /** Where it is a page itself; null for tags, and for what is not in the book. */
  path: string | null;
  /** Whether it is a tag. */
  isTag: boolean;
  in: readonly { title: string; path: string }[];
}

const letterOf = (name: string): string => {
  const [letter = ''] = foldWords(name).trim();
  return /\p{L}/u.test(letter) ? letter.toUpperCase() : '#';
};

/** What is named, by the alphabet of a language: each letter with its own, which are sorted when they are asked for. */
export function* sortedByLetter<T extends { name: string }>(
  language: string,
  entries: readonly T[],
): Generator<[letter: string, own: T[]]> {
  const { compare } = new Intl.Collator(language, { sensitivity: 'base', numeric: true });
  const letters = new Map<string, T[]>();
  for (const entry of entries) {
    const letter = letterOf(entry.name);
    const own = letters.get(letter);
    if (own) own.push(entry);
    else letters.set(letter, [entry]);
  }
  // What begins with no letter comes first.
  for (const letter of [...letters.keys()].sort(compare)) {
    yield [letter, letters.get(letter)!.sort((one, other) => compare(one.name, other.name))];
  }
}

function indexLine({ name, path, isTag, in: places }: IndexEntry): string {
  const named = x('span', { class: isTag ? 'tag' : 'name' }, path === null ? name : [link(BOOK_INDEX, path, name)]);
  const where = places.map((place) => xmlText(link(BOOK_INDEX, place.path, place.title)));
  return `<li>${xmlText(named)} · ${where.join(', ')}</li>`;
}

/** The index of a book: what is named in it, by the alphabet, with the pages where. */
export function* writeIndex(language: string, entries: readonly IndexEntry[]): Generator<string> {
  const heading = element('h1', {}, [htmlText('Index')]);
  const section = element('section', { role: 'doc-index', className: ['index'] }, [heading, HERE]);
  const [before, after] = partedHere(xhtml('Index', language, [section]));
  yield before!;
  for (const [letter, own] of sortedByLetter(language, entries)) {
    yield `${xmlText(x('h2', letter))}<ul>`;
    for (const entry of own) yield indexLine(entry);
    yield '</ul>';
  }
  yield after!;
}
