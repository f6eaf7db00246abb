import fc from 'fast-check';
import { readHtml, writeHtml } from '../../formats/html';
import { readMarkdown, resolveReferences, writeMarkdown } from '../../formats/markdown';
import { times } from '../../testing';
import { block, body } from '../build';
import { checkBody } from '../check';
import { ShapeError } from '../shapeError';
import { withIds } from '../copy';
import { bodyFacts } from '../facts';
import { newId } from '../ids';
import { solidBlock } from './made';

/** A kind that nobody has heard of, added as any is: with an entry in the table. */
jest.mock('./all', () => {
  const all = jest.requireActual<typeof import('./all')>('./all');
  const { measure } = jest.requireActual<typeof import('../../testing/kinds/measure')>('../../testing/kinds/measure');
  return { ...all, SOLID_KINDS: [...all.SOLID_KINDS, measure] };
});

const options = {
  titleOf: () => 'Gate',
  linkUrl: (target: string) => `/to/${target}`,
  fileUrl: (file: string) => `/files/${file}`,
  hasId: () => true,
  isWhole: true,
};

const arbitraryMeasure = fc
  .record({
    value: fc.double({ min: -1e6, max: 1e6, noNaN: true }).map((value) => (Object.is(value, -0) ? 0 : value)),
    unit: fc.constantFrom('mm', '', 'kg/m²', '%', '"'),
    tint: fc.constantFrom(null, 'lapis'),
  })
  .map((attrs) => checkBody(body(block('paragraph', 'Bore'), solidBlock('measure', attrs), block('todo', 'again'))));

test('a made-up kind of block goes through Markdown and HTML and back', () => {
  fc.assert(
    fc.property(arbitraryMeasure, (written) => {
      const { blocks } = readMarkdown(writeMarkdown(written.content, options), (what) => {
        throw new Error(what);
      });
      expect(
        checkBody(
          body(
            ...resolveReferences(
              blocks,
              () => null,
              () => '',
            ),
          ),
        ),
      ).toEqual(written);
      expect(checkBody(body(...readHtml(writeHtml(written.content, options))))).toEqual(written);
    }),
    { numRuns: times(200) },
  );
});

test('what a made-up kind says is checked, counted and found by its words', () => {
  const measured = checkBody(body(solidBlock('measure', { value: 38.5, unit: 'mm' })));
  const { blocks, wordCount, firstWords } = bodyFacts(measured);
  expect(blocks).toMatchObject([{ kind: 'measure', words: '38.5 mm' }]);
  expect([firstWords, wordCount > 0]).toEqual(['38.5 mm', true]);
  expect(() => checkBody(body(solidBlock('measure', { value: 'wide' })))).toThrow(ShapeError);
  const id = newId();
  const copy = withIds(measured, new Map([[String(measured.content[0]!.attrs!.id), id]]));
  expect(copy.content[0]!.attrs).toEqual({ ...measured.content[0]!.attrs, id });
});

test('the words of a made-up kind that came without what was said of it are kept as text', () => {
  const { blocks } = readMarkdown('38.5 mm\n', () => undefined);
  expect(blocks.map(({ type }) => type)).toEqual(['block']);
});
