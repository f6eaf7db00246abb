import { readMarkdown } from './blocks';
import { textOfBytes } from './encoding';
import { piecesOf } from './pieces';
import { slugsOf } from './slug';
import { ownWords } from '../../document/text';
import { NameIndex } from '../../names/names';
import { fillText, questionsOf } from '../../templates/template';

const words = (text: string): string =>
  readMarkdown(text, () => undefined)
    .blocks.map(ownWords)
    .join(' ');

/** In milliseconds of a processor, and far from what a tangle costs that is read in a time that grows with its square. */
const A_MOMENT = 12_000;

/** What work costs this process by itself: others on the same machine make it no dearer. */
function cost(work: () => void): number {
  const before = process.cpuUsage();
  work();
  const { user, system } = process.cpuUsage(before);
  return (user + system) / 1_000;
}

/** What once took ten seconds and more. */
const TANGLES: Record<string, [text: string, kept: string]> = {
  'spaces in a line': [`before${' '.repeat(100_000)}after`, 'after'],
  'highlights that are never closed': ['==a '.repeat(10_000), 'a'],
  'a list six hundred deep': [
    Array.from({ length: 600 }, (_item, index) => `${'  '.repeat(index)}- item${index}`).join('\n'),
    'item599',
  ],
  'a table of 400 by 400': [
    `${'|a'.repeat(400)}|\n${'|-'.repeat(400)}|\n${`${'|b'.repeat(399)}|last|\n`.repeat(400)}`,
    'last',
  ],
  'quotes within quotes': [`${'>'.repeat(1_900)} deep`, 'deep'],
  'brackets that are never closed': ['[a]('.repeat(20_000), 'a'],
  'numbers within numbers': [`${'1. '.repeat(10_000)}deep`, 'deep'],
  'quotes within items within numbers': [`${'> - 1. '.repeat(4_000)}deep`, 'deep'],
  'thousands of underlined headings': [`${'Gate\n=\n'.repeat(20_000)}last\n---\n`, 'last'],
  'thousands of underlined headings that may be more': [`${'*Gate*\n===\n\n'.repeat(8_000)}last`, 'last'],
  'lists between paragraphs': [`${'- item\n\nwords\n\n'.repeat(8_000)}last`, 'last'],
  'lines that belong to a quote without saying so': [`> quote\n${'lazy\n'.repeat(20_000)}last`, 'last'],
  'runs of ticks': [Array.from({ length: 600 }, (_run, index) => '`'.repeat(index)).join('a'), 'a'],
};

test.each(Object.entries(TANGLES))('6 %s are read in a moment, and every word is kept', (_name, [text, kept]) => {
  expect(cost(() => expect(words(text)).toContain(kept))).toBeLessThan(A_MOMENT);
});

test('6 many underlined headings are the same headings, and what stands in code is not touched', () => {
  const few = 'Gate\n====\n\nRace\nand wheel\n---\n\n- item\n\n  *Pit*\n  ---\n\n```\nGate\n====\n```\n\n';
  const shape = (text: string) =>
    readMarkdown(text, () => undefined).blocks.map((node) => {
      const { kind, level, depth } = node.attrs!;
      return [node.type, kind, level, depth, ownWords(node)];
    });
  const one = shape(few);
  expect(one.map(([, kind, level]) => [kind, level]).slice(0, 2)).toEqual([
    ['heading', 1],
    ['heading', 2],
  ]);
  expect(shape(few.repeat(60))).toEqual(Array.from({ length: 60 }, () => one).flat());
});

test('6 a name of hundreds of letters is looked for in a moment', () => {
  const index = new NameIndex();
  for (let each = 0; each < 20_000; each += 1) index.set(`id${each}`, `Sluice gate number ${each}`, null);
  const search = () => {
    expect(index.search('a b c d e f g '.repeat(35))).toEqual([]);
    index.search('sluice gate '.repeat(40));
    expect(index.search('sluice gate number 7')[0]).toBe('id7');
  };
  expect(cost(search)).toBeLessThan(A_MOMENT);
});

test('a long text is parsed in pieces that are never parted within code, each with the definitions it needs', () => {
  const text = `${'Words of a line, see [here].\n\n'.repeat(2_000)}\`\`\`\n${'code\n\n'.repeat(9_000)}\`\`\`\n\nAnd [there].\n\n<!-- a\n\n${'comment\n\n'.repeat(5_000)}-->\n\n[here]: https://mill.example\n[^1]: A footnote.\n`;
  const pieces = piecesOf(text);
  expect(pieces.length).toBeGreaterThan(4);
  for (const piece of pieces) {
    expect((piece.match(/^```/gmu) ?? []).length % 2).toBe(0);
    expect(piece.includes('<!--')).toBe(piece.includes('-->'));
    if (piece.includes('[here]')) expect(piece).toContain('[here]: https://mill.example');
    expect(piece.length).toBeLessThan(90_000);
  }
  expect(pieces.filter((piece) => piece.includes('A footnote.'))).toHaveLength(1);
});

test('a long text is not parted within code that shows how code is written', () => {
  const code = `\`\`\`\`md\n\`\`\`js\n${'run\n\n'.repeat(6_000)}\`\`\`\n${'still code\n\n'.repeat(2_000)}\`\`\`\`\n`;
  const other = code.replaceAll('````', '```').replace('```\nstill', 'still');
  for (const text of [code, other]) {
    const [first, ...rest] = readMarkdown(text, () => undefined).blocks;
    expect(first!.type).toBe('codeBlock');
    expect(ownWords(first!).split('still code')).toHaveLength(2_001);
    expect(rest).toEqual([]);
  }
});

test('bytes are read as they were written', () => {
  expect(textOfBytes(new Uint8Array(Buffer.from('łódź', 'utf8')))).toBe('łódź');
  expect(textOfBytes(new Uint8Array(Buffer.from('\uFEFFłódź', 'utf16le')))).toBe('łódź');
  expect(textOfBytes(new Uint8Array(Buffer.from('plain words', 'utf16le')))).toBe('plain words');
  expect(textOfBytes(new Uint8Array(Buffer.from('café', 'latin1')))).toBe('café');
});

test('headings of the same words are told apart', () => {
  expect(slugsOf(['What wears', 'What wears?', 'Łódź, 2'])).toEqual(['what-wears', 'what-wears-1', 'łódź-2']);
});

test('5 what every object is born with is no placeholder', () => {
  const text = 'See {{constructor}} and {{toString}}.';
  expect(fillText(text, {})).toBe(text);
  expect(questionsOf(text, { type: 'doc', content: [] })).toEqual([]);
});
