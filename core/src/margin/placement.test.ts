import fc from 'fast-check';
import { bodyFacts, shownWords } from '../document';
import { demoPages, type DemoPage } from '../testing/demoNotes';
import { judged, judgedLater, type Judged } from './judged';
import { marginLine } from './lines';
import { placeGlosses, slideDown, type MarginLine, type MarginReference } from './placement';

const { pages, titleOf } = demoPages();

/** Lines of a page and what elsewhere links to it, children taken along, as the Margin has them. */
function marginOf(page: DemoPage): {
  lines: MarginLine[];
  references: (MarginReference & { from: string | number; shown: string })[];
} {
  const references = pages.flatMap((other) => {
    const otherFacts = bodyFacts(other.body);
    const blocks = new Set(otherFacts.links.filter((link) => link.target === page.id).map((link) => link.blockId));
    return other.body.content
      .filter((node) => blocks.has(String(node.attrs!.id)))
      .map((node) => ({
        ...marginLine(page.id, [node], titleOf),
        pageId: other.id,
        targetBlockId: null,
        from: other.name,
        shown: shownWords(node, titleOf),
      }));
  });
  return { lines: page.body.content.map((node) => marginLine(page.id, [node], titleOf)), references };
}

describe('placing glosses as a careful reader would', () => {
  const placedAs = (each: Judged) => {
    const page = pages.find(({ name }) => name === each.page)!;
    const { lines, references } = marginOf(page);
    const reference = references.find(({ from, shown }) => from === each.from && shown.startsWith(each.gloss));
    const placement = placeGlosses(page.id, lines, references).find(({ referenceId }) => referenceId === reference?.id);
    const beside = page.body.content.find((node) => node.attrs?.id === placement?.lineId);
    const found = beside ? shownWords(beside, titleOf) : null;
    const agrees = each.beside === null ? found === null : (found?.startsWith(each.beside) ?? false);
    return { ...each, isThere: reference !== undefined, found, score: placement?.score ?? 0, agrees };
  };
  const rows = judged.map(placedAs);

  test('none is judged twice, and each of the later ones stands in the notes with the line it is set beside', () => {
    const later = judgedLater.map(placedAs);
    const lines = (name: string | number) =>
      pages.find((page) => page.name === name)!.body.content.map((node) => shownWords(node, titleOf));
    const isBeside = ({ page, beside }: Judged) =>
      beside === null || lines(page).filter((line) => line.startsWith(beside)).length === 1;
    expect(later.filter((row) => !row.isThere || !isBeside(row)).map(({ page, gloss }) => `${page}: ${gloss}`)).toEqual(
      [],
    );
    const keys = [...judged, ...judgedLater].map(({ page, from, gloss }) => `${page} ← ${from}: ${gloss}`);
    expect(new Set(keys).size).toBe(keys.length);
    expect(later.length).toBeGreaterThanOrEqual(80);
  });

  test('every judged gloss and line stands in the demo notes', () => {
    expect(rows.filter((row) => !row.isThere).map((row) => `${row.page}: ${row.gloss}`)).toEqual([]);
    expect(rows.length).toBeGreaterThanOrEqual(100);
  });

  test('at least 92 of 100 agree', () => {
    const shown = rows.map(
      (row) =>
        `${row.agrees ? '  ' : '✗ '}${row.score.toFixed(2).padStart(5)}  ${row.page} ← ${row.from}: ${row.gloss} | ${row.found?.slice(0, 30) ?? 'head'}${row.agrees ? '' : ` (reader: ${row.beside ?? 'head'})`}`,
    );
    const agreeing = rows.filter((row) => row.agrees).length;
    process.stdout.write(`${shown.join('\n')}\n${agreeing} of ${rows.length} as a careful reader\n`);
    expect(agreeing / rows.length).toBeGreaterThanOrEqual(0.92);
  });
});

test('a gloss that points at a block stands beside it, whatever its words', () => {
  const lines = ['apples', 'pears'].map((words, index) => ({ id: `l${index}`, words, links: [], tags: [] }));
  const reference = { id: 'g', words: 'apples apples', links: [], tags: [], targetBlockId: 'l1', pageId: 'q' };
  expect(placeGlosses('p', lines, [reference])[0]!.lineId).toBe('l1');
});

test('the earlier line wins a tie, and nothing in common goes to the head', () => {
  const lines = ['pin worn', 'pin worn'].map((words, index) => ({ id: `l${index}`, words, links: ['x'], tags: [] }));
  const reference = (words: string, links: string[]) => ({
    id: words,
    words,
    links,
    tags: [],
    targetBlockId: null,
    pageId: 'q',
  });
  const placed = placeGlosses('p', lines, [reference('pin worn', ['x', 'p']), reference('beans', ['p'])]);
  expect(placed.map(({ lineId }) => lineId)).toEqual(['l0', null]);
});

test('glosses never overlap, keep their order, and stand where they want when there is room', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ top: fc.integer({ min: 0, max: 900 }), height: fc.integer({ min: 1, max: 200 }) }), {
        maxLength: 30,
      }),
      (unsorted) => {
        const wanted = [...unsorted].sort((one, other) => one.top - other.top);
        const tops = slideDown(wanted, 10);
        tops.forEach((top, index) => {
          expect(top).toBeGreaterThanOrEqual(wanted[index]!.top);
          if (index > 0) expect(top).toBeGreaterThanOrEqual(tops[index - 1]! + wanted[index - 1]!.height + 10);
        });
      },
    ),
  );
});
