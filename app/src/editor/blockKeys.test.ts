import { block } from '@glossarion/core/document';
import { announce } from '../kit/announce';
import { KeyedText } from '../testing/keys';
import { BlockKeys } from './blockKeys';

jest.mock('../kit/announce', () => ({ announce: jest.fn() }));
const said = jest.mocked(announce);
beforeAll(() => Object.assign(globalThis, { HTMLElement: class {} }));

const list = () =>
  new KeyedText(
    [
      block('paragraph', 'before'),
      block('bulleted', 'leaf'),
      block('bulleted', 'pintle', { depth: 1 }),
      block('bulleted', 'winch'),
    ],
    BlockKeys,
  );

test('X1 Enter makes the next line of the kind that goes on, children before it, and parts words in their middle', () => {
  const text = list().into(1);
  text.press('Enter');
  expect(text.lines).toEqual([
    'paragraph: before',
    'bulleted: leaf',
    '  bulleted: |',
    '  bulleted: pintle',
    'bulleted: winch',
  ]);
  const middle = list().into(3, 2);
  middle.press('Enter');
  expect(middle.lines.slice(-2)).toEqual(['bulleted: wi', 'bulleted: |nch']);
  const heading = new KeyedText([block('heading', 'Gate', { level: 2 })], BlockKeys).into(0);
  heading.press('Enter');
  expect(heading.lines).toEqual(['heading: Gate', 'paragraph: |']);
});

test('X1 Enter at the start of a line leaves its words their id, and in an empty item steps out', () => {
  const text = list().into(1, 0);
  const [, leaf] = text.ids;
  text.press('Enter');
  expect(text.lines.slice(1, 3)).toEqual(['bulleted: ', 'bulleted: |leaf']);
  expect(text.ids[2]).toBe(leaf);
  const empty = new KeyedText([block('bulleted', 'a'), block('bulleted', '', { depth: 1 })], BlockKeys).into(1);
  empty.press('Enter');
  expect(empty.lines[1]).toBe('bulleted: |');
  empty.press('Enter');
  expect(empty.lines[1]).toBe('paragraph: |');
});

test('X1 three dashes and Enter are a divider, after which one writes on', () => {
  const text = new KeyedText([block('paragraph', '---')], BlockKeys).into(0);
  text.press('Enter');
  expect(text.lines).toEqual(['divider: ', 'paragraph: |']);
});

test('X4 Backspace at the start takes the kind, then the depth, then joins; the first id survives', () => {
  const text = list().into(2, 0);
  text.press('Backspace');
  expect(text.lines[2]).toBe('  paragraph: |pintle');
  text.press('Backspace');
  expect(text.lines[2]).toBe('paragraph: |pintle');
  const [, leaf] = text.ids;
  text.press('Backspace');
  expect(text.lines).toEqual(['paragraph: before', 'bulleted: leaf|pintle', 'bulleted: winch']);
  expect(text.ids[1]).toBe(leaf);
  expect(list().into(2, 3).press('Backspace')).toBe(false);
});

test('X4 an empty line before goes, and Delete at an end joins what follows', () => {
  const text = new KeyedText([block('paragraph', ''), block('paragraph', 'gate')], BlockKeys).into(1, 0);
  const [, gate] = text.ids;
  text.press('Backspace');
  expect(text.lines).toEqual(['paragraph: |gate']);
  expect(text.ids).toEqual([gate]);
  const end = list().into(0);
  end.press('Delete');
  expect(end.lines[0]).toBe('paragraph: before|leaf');
});

test('X4 S4 lines move and indent with their children, and it is said in words where they stand', () => {
  const text = list().into(3);
  text.press('Alt-ArrowUp');
  expect(text.lines).toEqual(['paragraph: before', 'bulleted: winch|', 'bulleted: leaf', '  bulleted: pintle']);
  expect(said).toHaveBeenLastCalledWith('Line 2 of 4, beneath nothing, after “before”');
  text.into(2).press('Tab');
  expect(text.lines.slice(2)).toEqual(['  bulleted: leaf|', '    bulleted: pintle']);
  expect(said).toHaveBeenLastCalledWith('Line 3 of 4, beneath “winch”');
  text.press('Shift-Tab');
  text.into(2).press('Alt-Shift-ArrowRight');
  expect(text.lines[2]).toBe('  bulleted: leaf|');
  text.press('Alt-Shift-ArrowLeft');
  expect(text.lines[2]).toBe('bulleted: leaf|');
  expect(said.mock.calls.flat().join()).not.toMatch(/[0-9a-f]{8}-/u);
});

test('T1 Ctrl+Enter ticks the to-do, and unticks it', () => {
  const text = new KeyedText([block('todo', 'oil', { state: 'open' })], BlockKeys).into(0);
  text.press('Mod-Enter');
  expect(text.state.doc.child(0).attrs.state).toBe('done');
  text.press('Mod-Enter');
  expect(text.state.doc.child(0).attrs.state).toBe('open');
});
