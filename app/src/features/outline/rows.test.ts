import type { ContentsEntry } from '../../state/types';
import { contentsRows } from './rows';

const entry = (id: string, kind: ContentsEntry['kind'], parentId: string, name = id): ContentsEntry => ({
  id,
  kind,
  parentId,
  name,
  firstWords: '',
  pigment: null,
  ornament: null,
  description: '',
  changedAt: '2026-11-24T00:00:00.000Z',
  wordCount: 1,
  childCount: 0,
});

const lines = (entries: ContentsEntry[]) =>
  contentsRows('n', entries).map((row) => `${'  '.repeat(row.depth)}${row.folio} ${row.title}`);

test('a notebook is set out like a book’s contents, with folio numbers', () => {
  expect(
    lines([
      entry('Waterworks', 'section', 'n'),
      entry('Loose page', 'page', 'n'),
      entry('Wheel', 'section', 'n'),
      entry('Survey', 'page', 'Waterworks'),
      entry('Gates', 'section', 'Waterworks'),
      entry('Sluice', 'page', 'Waterworks'),
      entry('Pintle', 'page', 'Sluice'),
      entry('Drawing', 'page', 'Gates'),
    ]),
  ).toEqual([
    '1 Loose page',
    'I Waterworks',
    '1 Survey',
    '2 Sluice',
    '  2.1 Pintle',
    '  i Gates',
    '1 Drawing',
    'II Wheel',
  ]);
});

test('a page without a title shows its first words and is not lost', () => {
  const nameless = { ...entry('p', 'page', 'n', ' '), firstWords: 'Leaf has dropped' };
  expect(lines([nameless, entry('q', 'page', 'n', '')])).toEqual(['1 Leaf has dropped', '2 Nameless page']);
});
