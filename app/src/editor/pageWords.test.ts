import { EditorState } from '@tiptap/pm/state';
import { block, newId, schema, type NodeJson } from '@glossarion/core/document';
import { linkToken } from '@glossarion/core/links';
import { SearchQuery } from 'prosemirror-search';
import { lookFor, pageMatches, pageSearch, replaceAllMatches } from './pageSearch';
import { matchesOfWords, typedAlone, type SoughtWord } from './pageWords';

const pageOf = (...lines: NodeJson[]): EditorState =>
  EditorState.create({ doc: schema.nodeFromJSON({ type: 'doc', content: lines }), plugins: [pageSearch()] });
const whole = (word: string, ...others: string[]): SoughtWord => ({
  word,
  isBeginning: false,
  readings: [word, ...others].map((term) => ({ how: 'form', terms: term.split(' '), isBeginning: false })),
});
const foundIn = (state: EditorState, sought: SoughtWord[]): string[] =>
  matchesOfWords(state, sought).map(({ from, to }) => state.doc.textBetween(from, to, '|', '@'));

test('F1 words on a page are found with accents, apostrophes and hyphens either way', () => {
  const state = pageOf(block('paragraph', 'The café, a left-handed gate.'), block('paragraph', 'CAFE and left handed'));
  expect(foundIn(state, typedAlone('cafe '))).toEqual(['café', 'CAFE']);
  expect(foundIn(state, typedAlone('left hand'))).toEqual(['left-handed', 'left handed']);
  expect(foundIn(state, typedAlone('left hand '))).toEqual([]);
});

test('F3 what stands for a word is found, in a row of words too', () => {
  const state = pageOf(block('paragraph', 'Gates were cut, the gate post was not; a gatepost, gates posts.'));
  expect(foundIn(state, [whole('gate', 'gates')])).toEqual(['Gates', 'gate', 'gates']);
  expect(foundIn(state, [whole('gate', 'gates'), whole('post', 'posts')])).toEqual(['gate post', 'gates posts']);
  expect(foundIn(state, [whole('gatepost', 'gate post')])).toEqual(['gate post', 'gatepost']);
});

test('F1 a link is found by the words that it shows', () => {
  const target = newId();
  const link = { type: 'pageLink', attrs: { target, words: null } };
  const line = block('paragraph', 'Ask ') as NodeJson & { content: NodeJson[] };
  const state = pageOf({ ...line, content: [...line.content, link, { type: 'text', text: ' again' }] });
  const named = (word: string) => whole(word, linkToken(target));
  expect(foundIn(state, [named('harbour')])).toEqual(['@']);
  expect(foundIn(state, [named('harbour'), named('trust')])).toEqual(['@']);
  expect(foundIn(state, [whole('ask'), named('harbour'), named('trust'), whole('again')])).toEqual(['Ask @ again']);
  expect(foundIn(state, [whole('harbour')])).toEqual([]);
});

test('F1 what stands for a word is shown among what was typed, and not replaced with it', () => {
  let state = pageOf(block('paragraph', 'mouse, mice and dormouse'));
  const others = (each: EditorState) => matchesOfWords(each, [whole('mouse', 'mice')]);
  state = state.apply(lookFor(state, new SearchQuery({ search: 'mouse', replace: 'vole' }), others));
  expect(pageMatches(state).map(({ from, to }) => state.doc.textBetween(from, to))).toEqual(['mouse', 'mice', 'mouse']);
  state = state.apply(replaceAllMatches(state)!);
  expect(state.doc.textContent).toBe('vole, mice and dorvole');
});
