import { EditorState } from '@tiptap/pm/state';
import { block, schema, type NodeJson } from '@glossarion/core/document';
import { SearchQuery } from 'prosemirror-search';
import { askForMatch, lookFor, pageMatches, pageSearch, replaceAllMatches, replaceMatch } from './pageSearch';

const stateOf = (...lines: string[]): EditorState =>
  EditorState.create({
    doc: schema.nodeFromJSON({
      type: 'doc',
      content: lines.map((line) => block('paragraph', line)) as NodeJson[],
    }),
    plugins: [pageSearch()],
  });
const words = (state: EditorState): string[] => state.doc.content.content.map((node) => node.textContent);
const looking = (state: EditorState, search: string, replace = '', more: object = { regexp: true }): EditorState =>
  state.apply(lookFor(state, new SearchQuery({ search, replace, ...more })));
const selected = ({ doc, selection: { from, to } }: EditorState): string =>
  `${doc.resolve(from).index(0)}:${doc.textBetween(from, to)}`;

test('X12 what Next finds is what Replace replaces, one after the other and around', () => {
  let state = looking(stateOf('gate and gate', 'a gate'), 'gate', 'sluice gate', {});
  expect(pageMatches(state)).toHaveLength(3);
  state = state.apply(askForMatch(state, 1)!);
  state = state.apply(askForMatch(state, 1)!);
  state = state.apply(replaceMatch(state)!);
  expect(words(state)).toEqual(['gate and sluice gate', 'a gate']);
  state = state.apply(replaceMatch(state)!);
  expect(words(state)).toEqual(['gate and sluice gate', 'a sluice gate']);
  state = state.apply(askForMatch(state, -1)!);
  expect(selected(state)).toBe('1:gate');
});

test('X12 what was asked for stays so when words that stand for it come late, and when something else is put in its place', () => {
  const asked = looking(stateOf('gate and gates', 'a gate'), 'gate', '', { wholeWord: true });
  let state = asked.apply(askForMatch(asked, 1)!);
  state = state.apply(askForMatch(state, 1)!);
  expect(selected(state)).toBe('1:gate');
  const late = new SearchQuery({ search: 'gate', replace: 'door', wholeWord: true });
  state = state.apply(lookFor(state, late, () => [{ from: 10, to: 15, match: null, matchStart: 0, isOther: true }]));
  expect(pageMatches(state)).toHaveLength(3);
  state = state.apply(replaceMatch(state)!);
  expect(words(state)).toEqual(['gate and gates', 'a door']);
  // Something else that is looked for has not been asked for yet.
  state = state.apply(lookFor(state, new SearchQuery({ search: 'and', replace: 'or' })));
  state = state.apply(replaceMatch(state)!);
  expect(words(state)).toEqual(['gate and gates', 'a door']);
});

test('X12 the first Replace asks for a match, and looking for something changes nothing', () => {
  let state = looking(stateOf('one', 'two'), 'two', '2', {});
  expect(state.selection.empty).toBe(true);
  state = state.apply(replaceMatch(state)!);
  expect(words(state)).toEqual(['one', 'two']);
  expect(selected(state)).toBe('1:two');
  state = state.apply(replaceMatch(state)!);
  expect(words(state)).toEqual(['one', '2']);
});

test('X12 the beginnings and the ends of lines, and places between letters, are found and replaced', () => {
  expect(words(stateAfterAll('^', '- ', 'one', 'two'))).toEqual(['- one', '- two']);
  expect(words(stateAfterAll('$', '.', 'one', 'two'))).toEqual(['one.', 'two.']);
  expect(words(stateAfterAll('b*', '-', 'abc'))).toEqual(['-a--c-']);
  expect(words(stateAfterAll('(?<=n)', '_', 'one', 'now'))).toEqual(['on_e', 'n_ow']);
  let state = looking(stateOf('one', 'two', 'three'), '^', '* ');
  for (let step = 0; step < 3; step += 1) state = state.apply(replaceMatch(state)!);
  expect(words(state)).toEqual(['* one', '* two', 'three']);
});

test('X12 an end of a line is none because the cursor stands there', () => {
  let state = looking(stateOf('one two', 'three'), '\\w+$', 'x');
  expect(pageMatches(state)).toHaveLength(2);
  for (const found of ['0:two', '1:three', '0:two']) {
    state = state.apply(askForMatch(state, 1)!);
    expect(selected(state)).toBe(found);
  }
  state = state.apply(askForMatch(state, -1)!);
  expect(selected(state)).toBe('1:three');
});

test('X12 nothing to replace with, and no match, change nothing and never go on for ever', () => {
  let state = looking(stateOf('one'), '^', '');
  state = state.apply(replaceMatch(state)!);
  state = state.apply(replaceMatch(state)!);
  expect(words(state)).toEqual(['one']);
  expect(askForMatch(looking(state, 'nothing'), 1)).toBeNull();
  expect(replaceAllMatches(looking(state, '('))).toBeNull();
});

test('X12 a match stays the one that was asked for while others write', () => {
  let state = looking(stateOf('one gate', 'two gate'), 'gate', '', {});
  state = state.apply(askForMatch(state, 1)!);
  state = state.apply(askForMatch(state, 1)!);
  state = state.apply(state.tr.insertText('a gate before: ', 1));
  state = state.apply(replaceMatch(state)!);
  expect(words(state)).toEqual(['a gate before: one gate', 'two ']);
});

function stateAfterAll(search: string, replacement: string, ...lines: string[]): EditorState {
  const state = looking(stateOf(...lines), search, replacement);
  return state.apply(replaceAllMatches(state)!);
}
