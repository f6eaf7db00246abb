import fc from 'fast-check';
import type { Text } from 'mdast';
import { gfmToMarkdown } from 'mdast-util-gfm';
import { toMarkdown, type Options } from 'mdast-util-to-markdown';
import { times } from '../../testing';
import { writeParagraph, writeText } from './plainText';

const piece = fc.oneof(
  {
    weight: 5,
    arbitrary: fc.constantFrom(
      'oak',
      'gate.',
      'www.',
      'w.a',
      '40',
      '1.',
      '2)',
      ' ',
      '- ',
      '-',
      '(a)',
      '(',
      ')',
      'it’s',
      '…',
      ', ',
      '£4',
      'é',
      '水',
    ),
  },
  { weight: 1, arbitrary: fc.string({ maxLength: 4 }) },
);
const text = fc
  .array(piece, { minLength: 1, maxLength: 6 })
  .map((pieces): Text => ({ type: 'text', value: pieces.join('') }));
const link = fc
  .tuple(
    fc.constantFrom('a.md', '../Old%20works/a.md#b', 'a_b_c.md', 'a.md#x_', 'on', '#0', 'a(b).md', 'a~~b', 'www.a.b'),
    text,
  )
  .map(([url, words]) => ({ type: 'link' as const, url, children: [words] }));
const group = fc
  .constantFrom('<wbr>', '[x]', ' {#id}', '<!---->')
  .map((value) => ({ type: 'raw', value }) as unknown as Text);
const bold = text.map((words) => ({ type: 'strong' as const, children: [words] }));
/** What is written beside plain words by the same rules, in both ways. */
const raw = (node: { value: string }) => node.value;

test('a line is written as one in which every pattern was looked for', () => {
  const written = (children: unknown[], type: string, handlers: Options['handlers']) => {
    const block =
      type === 'table'
        ? { type: 'table', children: [{ type: 'tableRow', children: [{ type: 'tableCell', children }] }] }
        : type === 'list'
          ? { type: 'list', children: [{ type: 'listItem', children: [{ type: 'paragraph', children }] }] }
          : { type, ...(type === 'heading' && { depth: 2 }), children };
    const options: Options = { extensions: [gfmToMarkdown()], handlers: { raw, ...handlers } as Options['handlers'] };
    return toMarkdown({ type: 'root', children: [block] } as never, options);
  };
  fc.assert(
    fc.property(
      fc.array(fc.oneof(text, text, link, group, bold), { minLength: 1, maxLength: 4 }),
      fc.constantFrom('paragraph', 'heading', 'table', 'list'),
      (children, type) => {
        const quick = written(children, type, { text: writeText, paragraph: writeParagraph });
        expect(quick).toBe(written(children, type, undefined));
      },
    ),
    { numRuns: times(3_000) },
  );
});
