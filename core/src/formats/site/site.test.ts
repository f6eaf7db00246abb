import fc from 'fast-check';
import { fromHtml } from 'hast-util-from-html';
import type { Root, RootContent } from 'hast';
import { fromXml } from 'xast-util-from-xml';
import { checkBody, shownWords, type BodyJson } from '../../document';
import { times } from '../../testing';
import { writeBookPage } from '../book';
import { arbitraryBody } from '../arbitrary';
import { readHtml } from '../html';
import { wordsOfPage, writeSitePage, type SitePage } from '.';

const pageOf = (body: BodyJson, title: string): SitePage => ({
  ...{ path: 'Mill/Gate.html', title, siteTitle: 'Notes', trail: [{ title: 'Mill', path: 'Mill/index.html' }] },
  ...{ pigment: 'lapis', language: 'en', body, named: {}, files: {}, otherNames: [], fields: [], note: '' },
  ...{ glosses: [], beneath: [], before: null, after: null },
});

const wordsIn = (node: Root | RootContent): string =>
  node.type === 'element' && node.tagName === 'img'
    ? String(node.properties.alt)
    : node.type === 'text'
      ? node.value
      : 'children' in node
        ? node.children.map(wordsIn).join('')
        : '';

const letters = (text: string): string => text.replaceAll(/[^\p{L}\p{N}]+/gu, '');

const title = fc.constantFrom('Gate', '<b>&amp; "x"', 'a\u0001b', '水車', ']]>', '\ud800');

test('every word of a page is on its page of a site, and what it was is read from there again', () => {
  fc.assert(
    fc.property(arbitraryBody, title, (random, name) => {
      const body = checkBody(random);
      const html = writeSitePage(pageOf(body, name));
      const shown = letters(wordsIn(fromHtml(html)));
      for (const node of body.content) {
        for (const line of shownWords(node, () => '', '\n').split('\n')) expect(shown).toContain(letters(line));
      }
      // Links lead nowhere here, and live lists are as they are now: the words of each line are the same.
      const read = readHtml(html);
      const lines = (content: BodyJson['content']) =>
        content.map((node) => [node.type, node.attrs?.id, shownWords(node, () => '')]);
      expect(lines(read)).toEqual(lines(body.content));
    }),
    { numRuns: times(60) },
  );
});

test('a page of a book is XML, whatever is written on it', () => {
  fc.assert(
    fc.property(arbitraryBody, title, (random, name) => {
      const page = writeBookPage(pageOf(checkBody(random), name));
      expect(() => fromXml(page)).not.toThrow();
    }),
    { numRuns: times(60) },
  );
});

test('what is found of a page are its names, its fields and its lines, cells parted from each other', () => {
  const cell = (words: string) => ({
    type: 'tableCell',
    content: [{ type: 'block', attrs: { id: crypto.randomUUID() }, content: [{ type: 'text', text: words }] }],
  });
  const table = {
    type: 'table',
    attrs: { id: 'table' },
    content: [{ type: 'tableRow', content: [cell('Elm'), cell('Oak')] }],
  };
  const page = {
    ...pageOf({ type: 'doc', content: [table] }, 'Gate'),
    otherNames: ['Lower gate'],
    fields: [{ name: 'State', words: 'waiting' }],
  };
  expect(wordsOfPage(page)).toEqual([
    'Mill/Gate.html',
    'Gate',
    'Mill',
    [
      ['', 'Lower gate'],
      ['', 'State waiting'],
      ['table', 'Elm Oak'],
    ],
  ]);
});
