import { checkBody } from '../../document/check';
import { body } from '../../document/build';
import { shownInline, shownLines } from '../../testing';
import { readHtml } from './index';

const read = (html: string) => {
  const blocks = readHtml(html);
  // Whatever came, a page can hold it.
  if (blocks.length > 0) checkBody(body(...blocks));
  return blocks;
};
const lines = (html: string) => shownLines(read(html));

test('an article from the web becomes clean blocks, without what only its page needed', () => {
  expect(
    lines(`
      <style>p { color: red }</style><script>alert('no')</script><nav></nav>
      <article><header><h1>Lifting  a
      gate</h1></header>
      <p>First <span style="font-weight: 400">lower</span> the pool.</p><p>&nbsp;</p>
      <h5>Tools</h5><blockquote><p>Never alone.</p><p>Never in spring.</p></blockquote><hr>
      <pre><code class="language-sh">lift --slow
hold</code></pre>
      Words in no paragraph<div>and in a box</div></article>`),
  ).toEqual([
    'heading1 | Lifting a gate',
    'paragraph | First lower the pool.',
    'heading4 | Tools',
    'quote | Never alone.',
    'quote | Never in spring.',
    'divider',
    'codeBlock | lift --slow\nhold',
    'paragraph | Words in no paragraph',
    'paragraph | and in a box',
  ]);
});

test('lists keep their levels, numbers and ticks, also as old word processors set them', () => {
  expect(
    lines(`<ul><li>Rope</li><li><p>Blocks</p><ol><li>oak</li><li>elm<p>dry</p></li></ol></li>
      <ul><li>wedges</li></ul></ul>
      <ul><li><input type="checkbox" checked> Measure</li><li><label><input type="checkbox"></label>Cut</li></ul>`),
  ).toEqual([
    'bulleted | Rope',
    'bulleted | Blocks',
    '  numbered | oak',
    '  numbered | elm',
    '    paragraph | dry',
    '  bulleted | wedges',
    'todo | Measure | done',
    'todo | Cut | open',
  ]);
});

test('a list within a list without items of its own starts at the margin', () => {
  expect(lines('<ul><ul><li>Rope</li><ul><li>tarred</li></ul></ul></ul>')).toEqual([
    'bulleted | Rope',
    '  bulleted | tarred',
  ]);
  expect(lines('<p>Before</p><ul><ul><li>Rope</li></ul></ul>')).toEqual(['paragraph | Before', 'bulleted | Rope']);
});

test('styles come along however they are written; what has no form here leaves its words', () => {
  const [line] = read(`<p><b>Bold</b> and <span style="font-weight:700">too</span>, <i>slanted</i>,
    <s>gone</s>, <code>x = 1</code>, <a href="https://mill.example/">the mill</a>,
    <a href="javascript:alert(1)">no link</a>, <font color="red">plain</font>, H<sub>2</sub>O</p>`);
  expect(shownInline(line!)).toBe(
    '‹Bold›(bold) and ‹too›(bold), ‹slanted›(italic), ‹gone›(strike), ‹x = 1›(code), ' +
      '‹the mill›(webLink https://mill.example/), no link, plain, H2O',
  );
});

test('a whole that a clipboard says is bold is not', () => {
  const [line] = read('<b style="font-weight:normal"><p>Pasted</p></b>');
  expect(shownInline(line!)).toBe('Pasted');
});

test('a table from a spreadsheet keeps its cells; merged ones leave no hole', () => {
  const [table] = read(`<table><colgroup><col></colgroup><thead><tr><th>What</th><th>mm</th></tr></thead>
    <tr><td colspan="2">Gate no. 2</td></tr><tr><td>Pintle</td><td>38<br>39</td></tr><tr><td>alone</td></tr></table>`);
  const rows = table!.content!.map((row) => row.content!.map((cell) => shownLines(cell.content!).join(' / ')));
  expect(new Set(rows.map((row) => row.length))).toEqual(new Set([2]));
  expect(table!.content![0]!.content!.map((cell) => cell.type)).toEqual(['tableHeader', 'tableHeader']);
  expect(rows[1]![0]).toBe('paragraph | Gate no. 2');
  expect(rows[2]).toEqual(['paragraph | Pintle', 'paragraph | 38\n39']);
});

test('pictures become what the caller makes of them, else a link or their words', () => {
  const html = '<p>Seen <img src="https://mill.example/gate.png" alt="the gate"> today</p><img src="data:x" alt="dot">';
  expect(read(html).map(shownInline)).toEqual(['Seen ‹the gate›(webLink https://mill.example/gate.png) today', 'dot']);
  const file = '01890a5d-ac96-774b-bcce-b302099a8057';
  const made = readHtml('<figure><img src="cid:1" alt="gate"></figure>', {
    pictureOf: (_src, alt) => ({
      type: 'picture',
      attrs: { id: file, depth: 0, tint: null, file, name: '', alt, caption: '', width: null },
    }),
  });
  expect(made.map((node) => [node.type, node.attrs!.alt])).toEqual([['picture', 'gate']]);
});

test('foldable parts fold; what is nested beyond measure is kept, as deep as a page goes', () => {
  expect(lines('<details><summary>Tools</summary><p>Saw</p></details>')).toEqual(['fold | Tools', '  paragraph | Saw']);
  const deep = lines(`${'<ul><li>x'.repeat(60)}end`);
  expect(deep).toHaveLength(60);
  expect(deep.at(-1)).toMatch(/^ {48}\S.*xend$/u);
});

test.each(['', '<', '<p', '<table><td>', '</div></p>', '<!-- only -->', '\u0000', '<li>alone', '<p><table>'])(
  'broken HTML like %j is read without an error',
  (html) => {
    expect(() => read(html)).not.toThrow();
  },
);

test('X6 the lists of word processors are lists, at their levels and without the signs they drew', () => {
  const item = (level: number, sign: string, words: string) =>
    `<p class=MsoListParagraph style='margin-left:36.0pt;mso-list:l0 level${level} lfo1'><![if !supportLists]>` +
    `<span style='font-family:Symbol'><span style='mso-list:Ignore'>${sign}<span style='font:7.0pt "Times New Roman"'>` +
    `&nbsp;&nbsp; </span></span></span><![endif]>${words}<o:p></o:p></p>`;
  expect(
    lines(
      '<p class=MsoNormal>Before any lift:</p>' +
        item(1, '·', 'Stop logs in') +
        item(2, 'o', 'pool at sill level') +
        item(1, '1.', 'Measure') +
        item(2, 'a)', 'at three heights') +
        '<p class=MsoNormal>So it is.</p>',
    ),
  ).toEqual([
    'paragraph | Before any lift:',
    'bulleted | Stop logs in',
    '  bulleted | pool at sill level',
    'numbered | Measure',
    '  numbered | at three heights',
    'paragraph | So it is.',
  ]);
});

test('X6 the weight of another script says nothing of this one', () => {
  const [line] = read(
    "<p><b style='mso-bidi-font-weight:normal'>Heavy</b> and <i style='mso-bidi-font-style:normal'>slanted</i></p>",
  );
  expect(shownInline(line!)).toBe('‹Heavy›(bold) and ‹slanted›(italic)');
});
