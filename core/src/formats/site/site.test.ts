import fc from 'fast-check';
import { fromHtml } from 'hast-util-from-html';
import type { Root, RootContent } from 'hast';
import { fromXml } from 'xast-util-from-xml';
import { checkBody, newId, shownWords, type BodyJson, type NodeJson } from '../../document';
import { times } from '../../testing';
import { writeBookPage } from '../book';
import { arbitraryBody } from '../arbitrary';
import { readHtml } from '../html';
import { readIncoming } from '../incoming';
import { isOfSiteItself, wordsOfPage, writeSitePage, type SitePage } from '.';

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

/** Blocks whose links lead by the ids that they led to where they were written. */
const led = (nodes: readonly NodeJson[]): NodeJson[] =>
  nodes.map(({ content, ...node }) => {
    const { reference, words = null } = (node.attrs ?? {}) as { reference?: { target: string }; words?: string | null };
    const own = words === null ? {} : { words };
    if (node.type === 'fileReference') return (node.attrs as { own: NodeJson }).own;
    if (reference) return { ...node, attrs: { target: reference.target, ...own } };
    return { ...node, ...(content && { content: led(content) }) };
  });

test('a page whose links and files lead to files comes in as it was, line for line', () => {
  fc.assert(
    fc.property(arbitraryBody, title, (random, name) => {
      const body = checkBody(random);
      const ids = [...JSON.stringify(body).matchAll(/[\da-f]{8}(?:-[\da-f]{4}){3}-[\da-f]{12}/gu)].map(([id]) => id);
      const named = Object.fromEntries(ids.map((id) => [id, { title: 'Race', path: 'Race.html' }]));
      const files = Object.fromEntries(ids.map((id) => [id, `files/${id}.bin`]));
      const front = { id: newId(), title: name };
      const text = writeSitePage({ ...pageOf(body, name), named, files, front });
      const [file] = readIncoming({ path: 'Mill/Gate.html', text });
      expect(file!.refusal).toBeNull();
      const read = { type: 'doc', content: led(JSON.parse(file!.blocks) as NodeJson[]) };
      expect(checkBody(read as BodyJson)).toEqual(body);
    }),
    { numRuns: times(200) },
  );
});

test('what leads out of a site keeps its words, and a day is the day of whoever takes it in', () => {
  const [out, day] = [newId(), newId()];
  const leading = [out, day].map((target) => ({ type: 'pageLink', attrs: { target } }));
  const body: BodyJson = { type: 'doc', content: [{ type: 'block', attrs: { id: newId() }, content: leading }] };
  const named = { [out]: { title: 'Race', path: null }, [day]: { title: '9 March', path: null, day: '2026-03-09' } };
  const text = writeSitePage({ ...pageOf(checkBody(body), 'Gate'), named });
  expect(text).not.toContain(' href="2026');
  const [read] = JSON.parse(readIncoming({ path: 'Mill/Gate.html', text })[0]!.blocks) as NodeJson[];
  expect(read!.content).toEqual([
    { type: 'pageLink', attrs: { target: out, words: 'Race' } },
    { type: 'pageLink', attrs: { reference: { form: 'path', name: '2026-03-09.html', target: day } } },
  ]);
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

test('what makes a site look as it does is known in any folder, and what is called alike elsewhere is not', () => {
  const isOf = isOfSiteItself(new Set(['Mill/site/site.css', 'Mill/site/words.js', 'site/site.css', 'site/site.js']));
  const own = ['site.css', 'site.js', 'words.js', 'words-12.js', 'alegreya-latin-400-normal.woff2'];
  expect(own.filter((name) => !isOf(`Mill/site/${name}`))).toEqual([]);
  const others = ['site/site.js', 'Mill/site/plan.pdf', 'Mill/site/words/gate.js', 'Mill/words.js', 'Mill/Gate.html'];
  expect(others.filter(isOf)).toEqual([]);
});
