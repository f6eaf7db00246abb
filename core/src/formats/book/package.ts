import type { Element } from 'xast';
import { x } from 'xastscript';
import { HERE, partedHere, xmlText } from '../xml';
import { BOOK_NAV } from './nav';
import { BOOK_NCX } from './ncx';

/** Where the package document is, within the book. */
export const BOOK_PACKAGE = 'package.opf';
/** The folder of a book within its file. */
export const BOOK_FOLDER = 'book';

const xml = (root: Element): string => `<?xml version="1.0" encoding="utf-8"?>\n${xmlText(root)}\n`;

/** Where a reader finds the package document (EPUB 3.3, 4.2.6.3.1). */
export const writeContainer = (): string =>
  xml(
    x('container', { version: '1.0', xmlns: 'urn:oasis:names:tc:opendocument:xmlns:container' }, [
      x('rootfiles', [
        x('rootfile', {
          'full-path': `${BOOK_FOLDER}/${BOOK_PACKAGE}`,
          'media-type': 'application/oebps-package+xml',
        }),
      ]),
    ]),
  );

export interface BookItem {
  path: string;
  media: string;
  /** Whether it is read in its turn. */
  isText: boolean;
}

export interface Book {
  /** A UUID. */
  id: string;
  title: string;
  /** BCP 47. */
  language: string;
  /** When it was written: ISO 8601, in UTC. */
  at: string;
  items: readonly BookItem[];
}

/** The package document (EPUB 3.3, 5): what the book is, what it is made of, and in which order that is read. */
export function* writePackage({ id, title, language, at, items }: Book): Generator<string> {
  const meta = (property: string, value: string) => x('meta', { property }, value);
  const document = xml(
    x(
      'package',
      {
        xmlns: 'http://www.idpf.org/2007/opf',
        version: '3.0',
        'unique-identifier': 'book-id',
        'xml:lang': language,
      },
      [
        x('metadata', { 'xmlns:dc': 'http://purl.org/dc/elements/1.1/' }, [
          x('dc:identifier', { id: 'book-id' }, `urn:uuid:${id}`),
          x('dc:title', title.trim() || 'Notes'),
          x('dc:language', language),
          meta('dcterms:modified', `${at.slice(0, 19)}Z`),
          meta('schema:accessMode', 'textual'),
          meta('schema:accessibilityFeature', 'tableOfContents'),
          meta('schema:accessibilityFeature', 'index'),
          meta('schema:accessibilityHazard', 'none'),
        ]),
        x('manifest', [
          x('item', { id: 'nav', href: BOOK_NAV, 'media-type': 'application/xhtml+xml', properties: 'nav' }),
          x('item', { id: 'ncx', href: BOOK_NCX, 'media-type': 'application/x-dtbncx+xml' }),
          HERE,
        ]),
        x('spine', { toc: 'ncx' }, [x('itemref', { idref: 'nav' }), HERE]),
      ],
    ),
  );
  const [before, between, after] = partedHere(document);
  yield before!;
  for (const [index, { path, media }] of items.entries()) {
    yield xmlText(x('item', { id: `item-${index + 1}`, href: encodeURI(path), 'media-type': media }));
  }
  yield between!;
  for (const [index, { isText }] of items.entries()) if (isText) yield `<itemref idref="item-${index + 1}"></itemref>`;
  yield after!;
}
