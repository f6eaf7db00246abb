import { EditorState, TextSelection } from '@tiptap/pm/state';
import { schema } from '@glossarion/core/document';
import { looksLikeMarkdown } from './clipboard';
import { cellsOf, isSheetOfCells, sortRows, TABLE_DEEDS, tableNode } from './tables';

test('cells are read as spreadsheets write them', () => {
  expect(cellsOf('a\tb\n1\t2\n')).toEqual([
    ['a', 'b'],
    ['1', '2'],
  ]);
  expect(cellsOf('a\tb\r\n"two\nlines"\t"say ""so"""\r\n')).toEqual([
    ['a', 'b'],
    ['two lines', 'say "so"'],
  ]);
  expect(cellsOf('\t\n\tx')).toEqual([
    ['', ''],
    ['', 'x'],
  ]);
  expect(cellsOf('5" nails\t4')).toEqual([['5" nails', '4']]);
});

test('only even rows of several cells are a sheet', () => {
  expect(isSheetOfCells('a\tb\nc\td')).toBe(true);
  expect(isSheetOfCells('a\tb\nc')).toBe(false);
  expect(isSheetOfCells('\tindented line')).toBe(true);
  expect(isSheetOfCells('no cells')).toBe(false);
});

const stateOf = (rows: string[][]): EditorState => {
  const state = EditorState.create({ doc: schema.nodeFromJSON({ type: 'doc', content: [tableNode(rows)] }) });
  return state.apply(state.tr.setSelection(TextSelection.near(state.doc.resolve(4))));
};

const columnOf = (state: EditorState, column: number): string[] => {
  const words: string[] = [];
  state.doc.child(0).forEach((row) => void words.push(row.child(column).textContent));
  return words;
};

const sorted = (rows: string[][], isDescending = false): string[] => {
  let state = stateOf(rows);
  sortRows(isDescending)(state, (transaction) => (state = state.apply(transaction)));
  return columnOf(state, 0);
};

test('rows are sorted below their head: numbers as numbers, money too, what is empty last', () => {
  expect(
    sorted([
      ['Cost', 'x'],
      ['£1,140', ''],
      ['90', ''],
      ['', ''],
      ['310.50', ''],
    ]),
  ).toEqual(['Cost', '90', '310.50', '£1,140', '']);
  expect(
    sorted(
      [
        ['Name', 'x'],
        ['elm', ''],
        ['Oak', ''],
        ['ash', ''],
      ],
      true,
    ),
  ).toEqual(['Name', 'Oak', 'elm', 'ash']);
});

test('every deed of a table leaves a whole table', () => {
  for (const { words, run } of TABLE_DEEDS) {
    let state = stateOf([
      ['a', 'b'],
      ['c', 'd'],
      ['e', 'f'],
    ]);
    run(state, (transaction) => (state = state.apply(transaction)));
    expect([words, () => state.doc.check()]).toEqual([words, expect.any(Function)]);
    expect(() => state.doc.check()).not.toThrow();
  }
});

test('Markdown is told from plain text', () => {
  for (const markdown of [
    '# Lift',
    '- [ ] slings',
    '- a\n- b',
    'some **bold** words',
    '[a](https://b.example)',
    '```js\nx\n```',
  ]) {
    expect([markdown, looksLikeMarkdown(markdown)]).toEqual([markdown, true]);
  }
  for (const plain of [
    'A sentence - with a dash.',
    'Pay #4 by 3*4',
    '1. Only one',
    'snake_case_name and 5 < 6',
    'a * b * c',
  ]) {
    expect([plain, looksLikeMarkdown(plain)]).toEqual([plain, false]);
  }
});
