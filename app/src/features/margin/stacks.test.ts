import type { BodyJson } from '@glossarion/core/document';
import type { Gloss, MarginPage } from '@glossarion/core/margin';
import { besideWords, glossKey, linesOf, stacksOf } from './stacks';

const line = (id: string, text: string, formerIds: string | null = null) => ({
  type: 'block',
  attrs: { id, formerIds },
  content: [{ type: 'text', text }],
});
const body = (...content: ReturnType<typeof line>[]): BodyJson => ({ type: 'doc', content });

const gloss = (blockId: string, lineId: string | null): Gloss => ({
  blockId,
  field: null,
  heldOn: null,
  pageId: 'source',
  pageTitle: 'Source',
  trail: [],
  pigment: 'lapis',
  day: null,
  standsIn: null,
  changedAt: '2026-11-24T08:00:00.000Z',
  targetBlockId: null,
  lineId,
  isMoved: false,
  above: [],
  node: line(blockId, `what ${blockId} says`),
  children: [],
  links: [],
  tags: [],
});

function margin(...glosses: Gloss[]): MarginPage {
  const stacks = [...new Set(glosses.map(({ lineId }) => lineId))].map((lineId) => ({
    lineId,
    count: glosses.filter((each) => each.lineId === lineId).length,
    pigments: ['lapis' as const],
    firstWords: `first of ${lineId}`,
  }));
  return { total: glosses.length, count: glosses.length, stacks, glosses, targets: [], facets: null };
}

const shown = (page: MarginPage, here: BodyJson, held: Parameters<typeof stacksOf>[3] = null) =>
  stacksOf(page, linesOf(here), here, held).map(({ key, count, glosses }) => [
    key,
    count,
    glosses.map(({ blockId }) => blockId).join(' '),
  ]);

describe('the stacks of a Margin', () => {
  const leaf = line('leaf', 'The leaf');
  const oak = line('oak', 'Oak and elm');
  const page = margin(gloss('one', 'oak'), gloss('two', null), gloss('three', 'leaf'), gloss('four', 'oak'));

  it('follow each other as their lines do here, what is of the whole page first', () => {
    expect(shown(page, body(leaf, oak))).toEqual([
      ['head', 1, 'two'],
      ['leaf', 1, 'three'],
      ['oak', 2, 'one four'],
    ]);
    expect(shown(page, body(oak, leaf)).map(([key]) => key)).toEqual(['head', 'oak', 'leaf']);
  });

  it('go with a line that was joined to another, and to the head with one that is gone', () => {
    expect(shown(page, body(line('leaf', 'The leaf of oak and elm', 'older oak')))).toEqual([
      ['head', 1, 'two'],
      ['leaf', 3, 'one three four'],
    ]);
    expect(shown(page, body(leaf))).toEqual([
      ['head', 3, 'one two four'],
      ['leaf', 1, 'three'],
    ]);
  });

  it('keep what is written in where it stands, and in its order', () => {
    const here = body(leaf, oak);
    const held = { gloss: glossKey(gloss('four', null)), stack: 'oak', order: ['source/one', 'source/four'] };
    // It speaks to another line by now, and a newer one has come.
    const later = margin(gloss('new', 'oak'), gloss('four', 'leaf'), gloss('one', 'oak'));
    expect(shown(later, here, held)).toEqual([['oak', 3, 'one four new']]);
    expect(shown(later, here)).toEqual([
      ['leaf', 1, 'four'],
      ['oak', 2, 'new one'],
    ]);
  });

  it('say what they stand beside', () => {
    expect(stacksOf(page, linesOf(body(leaf, oak)), body(leaf, oak)).map(besideWords)).toEqual([
      'beside the title',
      'beside “The leaf”',
      'beside “Oak and elm”',
    ]);
    const long = body(line('oak', `${'seven boards '.repeat(8)}of elm`));
    expect(besideWords(stacksOf(margin(gloss('one', 'oak')), linesOf(long), long)[0]!)).toBe(
      `beside “${'seven boards '.repeat(4)}seven…”`,
    );
  });
});
