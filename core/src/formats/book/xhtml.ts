import type { ElementContent, Root } from 'hast';
import { toXast } from 'hast-util-to-xast';
import { element, htmlText } from '../../document/kinds';
import { xmlText } from '../xml';

/** The file of how a book looks. */
export const BOOK_SHEET = 'book.css';

/** A content document of EPUB 3 (EPUB 3.3, 6.1): XHTML. */
export function xhtml(title: string, language: string, shown: ElementContent[], toSheet = `../${BOOK_SHEET}`): string {
  const root: Root = {
    type: 'root',
    children: [
      element('html', { xmlLang: language, lang: language, 'xmlns:epub': 'http://www.idpf.org/2007/ops' }, [
        element('head', {}, [
          // A title may not be empty.
          element('title', {}, [htmlText(title.trim() || 'Nameless page')]),
          element('link', { rel: ['stylesheet'], type: 'text/css', href: toSheet }),
        ]),
        element('body', {}, shown),
      ]),
    ],
  };
  const text = xmlText(toXast(root), { closeEmptyElements: true });
  return `<?xml version="1.0" encoding="utf-8"?>\n<!DOCTYPE html>\n${text}\n`;
}
