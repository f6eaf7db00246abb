import fc from 'fast-check';
import { typedTag } from '../../document/build';
import { checkBody } from '../../document/check';
import { newId } from '../../document/ids';
import { TEXT_KINDS } from '../../document/kinds';
import { HIGHLIGHTS, PRIORITIES, TASK_STATES, type BodyJson, type MarkJson, type NodeJson } from '../../document/types';
import { joinedText, orderedMarks } from '../markTree';

/** Random bodies of every kind of block, for properties that must hold for any page. */

const word = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.constantFrom('oak', 'sluice', 'gate', 'the', 'A', '40 mm', 'Łódź', '水車', 'بوابة', 'Ünïcødé', '🌊'),
  },
  {
    weight: 3,
    arbitrary: fc.constantFrom(
      ...[
        '*',
        '_',
        '**x**',
        '`',
        '``',
        '[',
        ']',
        '[[',
        ']]',
        '[[Gate]]',
        '(',
        ')',
        '#',
        '# ',
        '#tag',
        '==',
        '==a==',
        '{',
        '}',
      ],
      ...[
        '{#id}',
        '\\',
        '\\[',
        '<b>',
        '</b>',
        '<',
        '&amp;',
        '&',
        '|',
        '~',
        '~~',
        '- ',
        '+ ',
        '1. ',
        '> ',
        '---',
        '***',
        '!',
      ],
      ...[
        '![a](b)',
        '[a](http://b.example)',
        'http://a.example',
        'www.a.example',
        'a@b.example',
        '[ ] ',
        '[x]',
        '[^1]',
        ':',
      ],
      ...['\t', '  ', '"', "'", '$', '=', '<!-- -->', '<br>', '\u00a0', '.', ', '],
    ),
  },
  { weight: 1, arbitrary: fc.string({ minLength: 1, maxLength: 6 }) },
);

/** Text as the editor keeps it: no line ends and no control characters. */
const running = fc
  .array(fc.tuple(word, fc.constantFrom(' ', '', ' ')), { minLength: 1, maxLength: 5 })
  .map((parts) => parts.flat().join(''))
  // eslint-disable-next-line no-control-regex
  .map((text) => text.replace(/[\u0000-\u0008\u000a-\u001f\u007f\u0085\u2028\u2029\uFDD0-\uFDEF]/gu, ''));

const mark: fc.Arbitrary<MarkJson> = fc.oneof(
  fc.constantFrom('bold', 'italic', 'underline', 'strike', 'code').map((type) => ({ type })),
  fc.constantFrom(...HIGHLIGHTS).map((pigment) => ({ type: 'highlight', attrs: { pigment } })),
  fc
    .constantFrom('https://example.org/a?b=c&d=(e)', 'mailto:ines@example.org', 'https://example.org/[x]')
    .map((href) => ({ type: 'webLink', attrs: { href } })),
);

const id = fc.uuid({ version: 7 });
const marks = fc.oneof({ weight: 3, arbitrary: fc.constant<MarkJson[]>([]) }, fc.array(mark, { maxLength: 3 }));

const leaf: fc.Arbitrary<NodeJson> = fc.oneof(
  { weight: 8, arbitrary: running.map((text) => ({ type: 'text', text })) },
  { weight: 1, arbitrary: fc.constant({ type: 'hardBreak' }) },
  {
    weight: 2,
    arbitrary: fc
      .tuple(id, fc.option(fc.constantFrom('the gate', 'a *b*', '[x]', 'two  spaces')))
      .map(([target, words]) => ({ type: 'pageLink', attrs: { target, words } })),
  },
  {
    weight: 1,
    arbitrary: fc.constantFrom('iron', 'wood/oak', 'a_b', '水').map(typedTag),
  },
);

const inline = fc.array(fc.tuple(leaf, marks), { maxLength: 6 }).map((leaves) =>
  joinedText(
    leaves.map(([node, on]) => {
      // What no format has a form for (docs/formats.md).
      const ordered = orderedMarks(node.type === 'hardBreak' ? [] : on).filter(
        (each) => node.type !== 'pageLink' || each.type !== 'webLink',
      );
      return ordered.length > 0 ? { ...node, marks: ordered } : node;
    }),
  ),
);

const tint = fc.option(fc.constantFrom(...HIGHLIGHTS), { freq: 6 });

const day = fc.constantFrom('2026-11-27', '2026-11-30', '2028-02-29');

/** What a to-do may say of itself. */
const todo = fc.record({
  state: fc.constantFrom(...TASK_STATES),
  priority: fc.option(fc.constantFrom(...PRIORITIES)),
  due: fc.option(fc.oneof(day, fc.constant('2026-11-27T09:30'))),
  for: fc.option(fc.oneof(day, fc.constant('none'))),
  repeat: fc.option(fc.constantFrom('FREQ=DAILY', 'FREQ=MONTHLY;INTERVAL=2;BYDAY=-1FR,1MO;UNTIL=20270301')),
  counted: fc.option(fc.constant('done')),
  doneOn: fc.option(fc.array(fc.oneof(day, fc.constant('2026-11-27/2026-11-24')), { minLength: 1, maxLength: 3 })),
});

const textBlock = fc
  .record({
    kind: fc.constantFrom(...TEXT_KINDS.map((each) => each.name)),
    level: fc.constantFrom(1, 2, 3, 4),
    task: todo,
    former: fc.option(id, { freq: 8 }),
    folded: fc.option(fc.boolean()),
    kept: fc.option(fc.constant(true), { freq: 12 }),
    content: inline,
  })
  .map(({ kind, level, task, former, folded, kept, content }) => ({
    type: 'block',
    attrs: {
      kind,
      level: kind === 'heading' ? level : null,
      ...(kind === 'todo' ? { ...task, doneOn: task.doneOn?.join(',') ?? null } : { state: null }),
      formerIds: former,
      folded: kind === 'fold' ? folded : null,
      kept,
    },
    content,
  }));

const name = fc.constantFrom('gate.png', 'tide table 2026.pdf', 'a "b" (c).mp3', 'ملف.txt');
const caption = fc.oneof(
  fc.constant(''),
  running.map((text) => text.trim()),
);

const cells = fc
  .record({
    rows: fc.integer({ min: 1, max: 4 }),
    columns: fc.integer({ min: 1, max: 4 }),
    headers: fc.constantFrom('row', 'column', 'both', 'none'),
    aligns: fc.array(fc.constantFrom(null, 'left', 'center', 'right'), { minLength: 4, maxLength: 4 }),
    widths: fc.option(fc.array(fc.option(fc.integer({ min: 40, max: 400 })), { minLength: 4, maxLength: 4 })),
    lines: fc.array(fc.array(textBlock, { minLength: 1, maxLength: 2 }), { minLength: 16, maxLength: 16 }),
  })
  .map(({ rows, columns, headers, aligns, widths, lines }) => ({
    type: 'table',
    content: Array.from({ length: rows }, (_row, row) => ({
      type: 'tableRow',
      content: Array.from({ length: columns }, (_cell, column) => {
        const isHeader =
          (row === 0 && headers !== 'none' && headers !== 'column') ||
          (column === 0 && headers !== 'none' && headers !== 'row');
        const width = widths?.[column] ?? null;
        return {
          type: isHeader ? 'tableHeader' : 'tableCell',
          attrs: { align: aligns[column], colwidth: width === null ? null : [width] },
          content: lines[row * 4 + column]!.map((line) => ({
            ...line,
            attrs: { ...line.attrs, id: newId(), depth: 0 },
          })),
        };
      }),
    })),
  }));

const solid: fc.Arbitrary<NodeJson> = fc.oneof(
  fc.constant({ type: 'divider' }),
  fc
    .tuple(
      fc.option(fc.constantFrom('js', 'c++', 'plain text')),
      fc.array(fc.tuple(running, fc.constantFrom('\n', '\n\n', '')), { maxLength: 4 }),
    )
    .map(([language, lines]) => {
      const text = lines.flat().join('');
      return { type: 'codeBlock', attrs: { language }, ...(text && { content: [{ type: 'text', text }] }) };
    }),
  cells,
  fc
    .record({ file: id, name, alt: caption, caption, width: fc.option(fc.integer({ min: 5, max: 100 })) })
    .map((attrs) => ({ type: 'picture', attrs })),
  fc
    .record({ file: id, name, media: fc.constantFrom('audio/mpeg', 'application/pdf'), size: fc.nat(), caption })
    .map((attrs) => ({ type: 'file', attrs })),
  id.map((target) => ({ type: 'card', attrs: { target } })),
  fc
    .record({ subject: fc.constantFrom('headings', 'beneath', 'chosen'), target: fc.option(id), chosen: fc.array(id) })
    .map(({ subject, target, chosen }) => ({
      type: 'overview',
      attrs: { subject, target, chosen: chosen.length > 0 ? chosen.join(' ') : null },
    })),
  fc
    .record({
      target: fc.option(id),
      order: fc.constantFrom('newest', 'oldest'),
      fromKind: fc.option(id),
      since: fc.constantFrom(null, 'week', 'month', 'year', '2026-03-09'),
    })
    .map((attrs) => ({ type: 'log', attrs })),
  fc
    .record({
      line: caption,
      name,
      of: fc.constantFrom('pages', 'lines', 'tasks'),
      order: fc.constantFrom('best', 'newest', 'oldest', 'title'),
      most: fc.integer({ min: 1, max: 100 }),
    })
    .map((attrs) => ({ type: 'found', attrs })),
);

/** A canonical body: ids are unique, and no block is more than one step deeper than the one before. */
export const arbitraryBody: fc.Arbitrary<BodyJson> = fc
  .array(fc.tuple(fc.oneof({ weight: 4, arbitrary: textBlock }, solid), fc.nat(6), tint), {
    minLength: 1,
    maxLength: 12,
  })
  .map((blocks) => {
    let allowed = 0;
    const content = blocks.map(([node, wanted, wash]) => {
      const depth = Math.min(wanted, allowed);
      allowed = depth + 1;
      return { ...node, attrs: { ...node.attrs, id: newId(), depth, tint: wash } } as NodeJson;
    });
    return checkBody({ type: 'doc', content });
  });
