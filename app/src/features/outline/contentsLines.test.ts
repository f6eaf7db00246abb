import type { ContentsEntry } from '@glossarion/core/outline';
import { contentsLines } from './contentsLines';

const entry = (id: string, parentId: string, more: Partial<ContentsEntry> = {}): ContentsEntry => ({
  id,
  kind: 'page',
  parentId,
  name: id,
  firstWords: '',
  pigment: null,
  ornament: null,
  description: '',
  changedAt: '2026-11-24T00:00:00.000Z',
  wordCount: 1,
  season: null,
  showsLeaves: 0,
  pagesBeneath: 0,
  sectionsBeneath: 0,
  isOpen: false,
  ...more,
});

const said = (contents: Parameters<typeof contentsLines>[1]) =>
  contentsLines('n', contents).map((line) =>
    line.kind === 'season' ? `${line.season} ${line.count}` : `${line.row.folio} ${line.row.title}`,
  );

test('what is for later and laid aside stands under heads of its own at the end, opened to what is beneath', () => {
  const contents = {
    entries: [entry('Gate', 'n'), entry('Turbine drawing', 'Turbine')],
    seasons: [
      { season: 'later' as const, isOpen: false, count: 2, pages: 0, roots: [] },
      {
        season: 'aside' as const,
        isOpen: true,
        count: 1,
        pages: 2,
        roots: [entry('Turbine', 'Wheel', { season: 'aside', isOpen: true })],
      },
    ],
  };
  expect(said(contents)).toEqual(['1 Gate', 'later 2', 'aside 2', '1 Turbine', '1.1 Turbine drawing']);
  const turbine = contentsLines('n', contents).find((line) => line.key === 'Turbine');
  expect(turbine).toMatchObject({ isAside: true, row: { entry: { parentId: 'Wheel' } } });
});

test('an empty season has no head', () => {
  expect(said({ entries: [], seasons: [{ season: 'aside', isOpen: true, count: 0, pages: 0, roots: [] }] })).toEqual(
    [],
  );
});
