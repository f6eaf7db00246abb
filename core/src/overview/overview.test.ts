import { block, body, newId, withIds } from '../document';
import { headingLines, overviewOf } from './overview';

const heading = (words: string, level: number) => block('heading', words, { level });

test('headings are numbered from the highest level in use, and a level left out is one step', () => {
  const content = [
    heading('Next', 2),
    block('paragraph', 'not a heading'),
    heading('Bore', 4),
    heading('Winch', 4),
    heading('Archive', 2),
    heading('Ledger', 3),
  ];
  const lines = headingLines(content, 0).map(({ number, level, words }) => `${number} ${level} ${words}`);
  expect(lines).toEqual(['1 1 Next', '1.1 2 Bore', '1.2 2 Winch', '2 1 Archive', '2.1 2 Ledger']);
  expect(headingLines(content, 1).map((line) => line.words)).toEqual(['Next', 'Archive']);
});

test('odd attributes read as the plainest overview', () => {
  expect(overviewOf({ subject: 'everything', levels: 'deep', chosen: 7 })).toEqual({
    subject: 'headings',
    target: null,
    levels: 0,
    order: 'place',
    chosen: [],
  });
});

test('a copied body points inside the copy where its links did, and elsewhere as before', () => {
  const [page, copy, own, elsewhere] = [newId(), newId(), newId(), newId()];
  const link = (target: string) => ({ type: 'pageLink', attrs: { target, words: null } });
  const overview = {
    type: 'overview',
    attrs: { id: newId(), depth: 0, subject: 'chosen', chosen: `${page} ${elsewhere}` },
  };
  const written = body(block('paragraph', [link(page), link(own), link(elsewhere)], { id: own }), overview);
  const renewed = newId();
  const copied = withIds(
    written,
    new Map([
      [page, copy],
      [own, renewed],
    ]),
  );
  expect(copied.content[0]!.attrs!.id).toBe(renewed);
  expect(copied.content[0]!.content!.map((node) => node.attrs!.target)).toEqual([copy, renewed, elsewhere]);
  expect(copied.content[1]!.attrs!.chosen).toBe(`${copy} ${elsewhere}`);
  expect(written.content[0]!.attrs!.id).toBe(own);
});
