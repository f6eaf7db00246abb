import type { Rarity } from '../../find';
import { demoRarity, halfOf, judgedCase, type JudgedCase } from '../../testing/judgedMargins';
import { judged, judgedLater } from './judged';
import { PART_NAMES } from './parts';
import { placeGlosses, readGloss, ReadPage, type MarginLine, type MarginReference } from './placement';
import { WEIGHTS } from './weights';

const all = [...judged, ...judgedLater];
const half = halfOf(all);

/** What the rule makes of a judged gloss. */
function placed(each: JudgedCase) {
  const { subject, reference, shown, beside } = each;
  const gloss = readGloss(subject.id, reference!);
  const page = new ReadPage(subject, demoRarity);
  const placement = page.place(gloss, WEIGHTS);
  const found = placement.lineId === null ? null : shown.get(placement.lineId)!;
  const agrees = beside === null ? found === null : (found?.startsWith(beside) ?? false);
  const place = subject.lines.findIndex(({ id }) => id === placement.lineId);
  const parts = PART_NAMES.map((name) => ({ name, score: page.scores(gloss, WEIGHTS, name)[place] ?? 0 }));
  return { ...each, ...placement, found, agrees, parts };
}

const partWords = (parts: readonly { name: string; score: number }[]): string =>
  parts.flatMap(({ name, score }) => (score >= 0.005 ? `${name} ${score.toFixed(2)}` : [])).join(', ');

describe('placing glosses as a careful reader would', () => {
  const cases = all.map(judgedCase);

  test('none is judged twice, and each stands in the notes with the line it is set beside', () => {
    const isBeside = ({ shown, beside }: JudgedCase) =>
      beside === null || [...shown.values()].filter((line) => line.startsWith(beside)).length === 1;
    const missing = cases.filter((each) => !each.reference || !isBeside(each));
    expect(missing.map(({ page, gloss }) => `${page}: ${gloss}`)).toEqual([]);
    expect(new Set(all.map(({ page, from, gloss }) => `${page} ← ${from}: ${gloss}`)).size).toBe(all.length);
    expect(judgedLater.length).toBeGreaterThanOrEqual(80);
  });

  test('at least 92 of 100 agree, and 88 of those that the rule was not tuned on', () => {
    const rows = cases.map(placed);
    const lines = rows.map(
      (row) =>
        `${row.agrees ? '  ' : '✗ '}${half(row) === 'held' ? 'held ' : '     '}${row.score.toFixed(2)} of ${row.needed.toFixed(2)}  ` +
        `${row.page} ← ${row.from}: ${row.gloss} | ${row.found?.slice(0, 30) ?? 'head'}` +
        `${row.agrees ? '' : ` (reader: ${row.beside ?? 'head'})`} | ${partWords(row.parts)}`,
    );
    const share = (of: typeof rows) => of.filter(({ agrees }) => agrees).length / of.length;
    const said = (of: typeof rows, words: string) =>
      `${of.filter(({ agrees }) => agrees).length} of ${of.length} ${words}, ${(100 * share(of)).toFixed(1)} %`;
    const held = rows.filter((row) => half(row) === 'held');
    const weights = Object.entries(WEIGHTS).map(([name, weight]) => `${name} ${weight}`);
    process.stdout.write(
      [
        ...lines,
        `weights: ${weights.join(', ')}`,
        said(rows, 'as a careful reader'),
        said(held, 'not tuned on'),
        '',
      ].join('\n'),
    );
    expect(held.length).toBeGreaterThanOrEqual(rows.length * 0.4);
    expect(share(rows)).toBeGreaterThanOrEqual(0.92);
    expect(share(held)).toBeGreaterThanOrEqual(0.88);
  });
});

const line = (id: string, words: string, links: string[] = []): MarginLine => ({
  ...{ id, words, links, names: '', tags: [] },
});
const reference = (words: string, more: Partial<MarginReference> = {}): MarginReference => ({
  ...line(words, words),
  ...{ targetBlockId: null, pageId: 'q', title: '', around: '' },
  ...more,
});
const rarity: Rarity = { pages: 100, ofWord: (stem) => (stem === 'gate' ? 30 : 2), ofLink: () => 2, ofTag: () => 2 };
const lineIds = (lines: MarginLine[], references: MarginReference[], title = ''): (string | null)[] =>
  placeGlosses({ id: 'p', title, lines }, references, rarity).map(({ lineId }) => lineId);

test('a gloss that points at a block stands beside it, whatever its words', () => {
  const lines = [line('l0', 'apples'), line('l1', 'pears')];
  expect(lineIds(lines, [reference('apples apples', { targetBlockId: 'l1' })])).toEqual(['l1']);
  expect(lineIds(lines, [reference('apples apples', { targetBlockId: 'gone' })])).toEqual(['l0']);
});

test('the earlier line wins a tie, and nothing in common goes to the head', () => {
  const lines = [line('l0', 'pin worn', ['x']), line('l1', 'pin worn', ['x']), line('l2', 'tar')];
  expect(lineIds(lines, [reference('pin worn', { links: ['x', 'p'] }), reference('beans', { links: ['p'] })])).toEqual([
    'l0',
    null,
  ]);
});

test('one telling word in another form is enough; a word of the page’s own title is not', () => {
  const lines = [line('l0', 'The sills are scarfed'), line('l1', 'The gate hangs on pintles'), line('l2', 'Tar it')];
  expect(lineIds(lines, [reference('Ask him for a scarf'), reference('The gate again')], 'Gate')).toEqual(['l0', null]);
});

test('a line that links to where the gloss stands is what it speaks to', () => {
  const lines = [line('l0', 'The gate'), line('l1', 'Budget', ['b'])];
  expect(lineIds(lines, [reference('A gate costs twelve pounds', { pageId: 'b' })])).toEqual(['l1']);
});

test('of two lines that say the same, that is meant which says where the gloss stands, or stands under such a heading', () => {
  const heading = { ...line('h', 'Pitch'), isHeading: true };
  const twelve = (more: Partial<MarginReference>) => [reference('Twelve nails', more)];
  const lines = [line('l0', 'Nails for the weir'), line('l1', 'Nails for the kettle'), heading, line('l2', 'Nails')];
  expect(lineIds(lines.slice(0, 2), twelve({}))).toEqual(['l0']);
  expect(lineIds(lines.slice(0, 2), twelve({ title: 'Kettle' }))).toEqual(['l1']);
  expect(lineIds(lines.slice(0, 2), twelve({ around: 'Fetch the kettle' }))).toEqual(['l1']);
  expect(lineIds([line('l0', 'Nails'), ...lines.slice(2)], twelve({ title: 'Pitch' }))).toEqual(['l2']);
});
