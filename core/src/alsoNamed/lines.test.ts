import { pageLink } from '../document/build';
import type { NodeJson } from '../document/types';
import { NameFinder } from './finder';
import { linkRanges, searchedText, textBlocks } from '../links/ranges';

const block = (content: NodeJson[]): NodeJson => ({
  type: 'block',
  attrs: { id: 'b', depth: 0, kind: 'paragraph' },
  content,
});
const text = (words: string, ...marks: string[]): NodeJson => ({
  type: 'text',
  text: words,
  ...(marks.length > 0 && { marks: marks.map((type) => ({ type })) }),
});
const finder = new NameFinder();
finder.add('Sluice gate');

const found = (node: NodeJson): string[] =>
  textBlocks(node).flatMap((each) => {
    const searched = searchedText(each);
    return finder.find(searched).map(({ start, end }) => searched.slice(start, end));
  });

test('code, links and tags are left out, and no name goes over one', () => {
  expect(found(block([text('The sluice gate, '), text('sluice gate', 'code'), text(' again.')]))).toHaveLength(1);
  expect(found({ type: 'codeBlock', attrs: { id: 'c' }, content: [text('sluice gate')] })).toEqual([]);
  expect(found(block([text('sluice '), { type: 'tag', attrs: { name: 'x' } }, text(' gate')]))).toEqual([]);
  expect(found(block([text('sluice gate', 'webLink')]))).toEqual([]);
});

test('a name that is partly bold is found, and becomes one link', () => {
  const line = block([
    text('See the '),
    text('Sluice', 'bold'),
    text(' gate today, the '),
    text('SLUICE gate'),
    text('.'),
  ]);
  const places = finder.find(searchedText(line));
  expect(places).toHaveLength(2);
  const linked = linkRanges(line, places, 'page', (written) => (written === 'Sluice gate' ? null : written));
  expect(linked.content).toEqual([
    text('See the '),
    pageLink('page'),
    text(' today, the '),
    { type: 'pageLink', attrs: { target: 'page', words: 'SLUICE gate' } },
    text('.'),
  ]);
});

test('names in the cells of a table are found', () => {
  const cell = (words: string): NodeJson => ({ type: 'tableCell', content: [block([text(words)])] });
  const table: NodeJson = {
    type: 'table',
    attrs: { id: 't' },
    content: [{ type: 'tableRow', content: [cell('sluice'), cell('gate'), cell('a sluice gate')] }],
  };
  expect(found(table)).toEqual(['sluice gate']);
});
