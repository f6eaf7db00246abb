import { checkBody } from '../../document/check';
import { body } from '../../document/build';
import { shownInline, shownLines } from '../../testing';
import { readMarkdown } from './index';

const ID = '01890a5d-ac96-774b-bcce-b302099a8057';

function read(text: string, isFile = true) {
  const remarks: string[] = [];
  const { front, blocks } = readMarkdown(text, (what) => remarks.push(what), isFile);
  return { front, blocks, lines: shownLines(blocks), remarks };
}

test('notes as people keep them: headings, nested lists, to-dos of every state, quotes, code, a rule', () => {
  const { lines, remarks, blocks } = read(`# Sluice gate
Two lines
of one paragraph.

- [ ] Measure
  - [x] twice
  - [/] at low water
  - [-] by boat
1. First
   more of it
- * +
> Never alone.
>
> - a list in it

###### Six deep
***
\`\`\`ts
let gate = 1;
\`\`\`
`);
  expect(remarks).toEqual([]);
  expect(lines.slice(0, 6)).toEqual([
    'heading1 | Sluice gate',
    'paragraph | Two lines of one paragraph.',
    'todo | Measure | open',
    '  todo | twice | done',
    '  todo | at low water | begun',
    '  todo | by boat | dropped',
  ]);
  expect(lines).toEqual(
    expect.arrayContaining([
      'numbered | First more of it',
      'quote | Never alone.',
      'heading4 | Six deep',
      'divider',
      'codeBlock | let gate = 1;',
    ]),
  );
  checkBody(body(...blocks));
});

test('words in any style, links out and references are kept', () => {
  const { blocks } = read(
    '**Bold** *slanted* ~~gone~~ `code` ==marked== <https://mill.example> [mill](https://mill.example/a "title")\n' +
      'and [[Sluice gate]], [[Sluice gate|the gate]] #iron/wrought',
    false,
  );
  const shown = shownInline(blocks[0]!);
  expect(shown).toContain('‹Bold›(bold) ‹slanted›(italic) ‹gone›(strike) ‹code›(code) ‹marked›(highlight)');
  expect(shown).toContain('‹mill›(webLink https://mill.example/a)');
  expect(shown).toContain('{tag iron/wrought}');
  checkBody(body(...read('**Bold** #iron').blocks));
});

test('an unsafe address leaves its words and no link', () => {
  const shown = shownInline(read('[press](javascript:alert(1)) and [mail](mailto:a@b.example)').blocks[0]!);
  expect(shown).not.toContain('javascript');
  expect(shown).toContain('press');
  expect(shown).toContain('mailto:a@b.example');
});

test('front matter is read from a file and is text when it is pasted', () => {
  const text = '---\ntitle: Sluice gate\n---\n\nThe leaf has dropped.\n';
  expect(read(text).lines).toEqual(['paragraph | The leaf has dropped.']);
  expect(read(text, false).lines.join(' ')).toContain('title: Sluice gate');
});

test('front matter that is no front matter is said, and the text is kept', () => {
  const { remarks, lines } = read('---\ntitle: [unclosed\n---\n\nStill here.\n');
  expect(remarks).toHaveLength(1);
  expect(lines).toEqual(['paragraph | Still here.']);
});

test('what is not understood is said and kept as words', () => {
  const { lines, remarks } = read('Text[^1]\n\n<video src="x"></video>\n\n[^1]: A footnote.\n');
  expect(remarks.join(' ')).toMatch(/HTML.*footnote/isu);
  expect(lines.join('\n')).toContain('<video src="x"></video>');
  expect(lines.join('\n')).toContain('A footnote.');
});

test('braces after a block say what Markdown has no form for; anything else in braces stays text', () => {
  const { blocks } = read(`Oak {#${ID} tint=ochre}\n\nA set {a, b}\n\n{#not-an-id}\n\n- Tools {kind=fold folded=yes}`);
  expect(blocks[0]!.attrs).toMatchObject({ id: ID, tint: 'ochre' });
  expect(shownLines(blocks)).toEqual([
    'paragraph | Oak',
    'paragraph | A set {a, b}',
    'paragraph | {#not-an-id}',
    'fold | Tools',
  ]);
});

test('a table keeps the sides its columns are set to', () => {
  const [table] = read('| What | mm |\n|:--|--:|\n| Pintle \\| ring | 38<hr>39 |\n').blocks;
  const cells = table!.content!.map((row) => row.content!.map((cell) => shownLines(cell.content!).join(' / ')));
  expect(cells).toEqual([
    ['paragraph | What', 'paragraph | mm'],
    ['paragraph | Pintle | ring', 'paragraph | 38 / paragraph | 39'],
  ]);
  expect(table!.content![1]!.content!.map((cell) => cell.attrs!.align)).toEqual(['left', 'right']);
});

test.each(['{isNode}', '{Number}', '{kind=none}', '{depth=deep}', '{kept=no}', '{former=me}', '{folded tint}'])(
  '5 braces at the end of a line that are its writer’s own stay in it: %s',
  (braces) => {
    const { lines } = read(`- uses named export ${braces}\n\n${braces}\n\n# Types ${braces}\n`);
    expect(lines.map((line) => line.includes(braces))).toEqual([true, true, true]);
  },
);

test('braces that say something of the line are none of its words', () => {
  const { blocks, lines } = read(`Gate {#${ID} depth=0 tint=lapis kept}\n`);
  expect(lines).toEqual(['paragraph | Gate']);
  expect(blocks[0]!.attrs).toMatchObject({ id: ID, kept: true });
});
