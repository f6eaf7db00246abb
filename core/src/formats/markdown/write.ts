import type { BlockContent, ListItem, PhrasingContent, RootContent } from 'mdast';
import { gfmToMarkdown } from 'mdast-util-gfm';
import { toMarkdown, type Handle, type Options } from 'mdast-util-to-markdown';
import { writtenAttributes } from '../../document/attributes';
import { PLAIN, solidKindOf, textKindOf, type MarkdownWriting } from '../../document/kinds';
import type { NodeJson } from '../../document/types';
import { OF_ANY, writeAttributes } from '../attributes';
import { nest, runs, type Nested } from '../nest';
import { writeParagraph, writeText } from './plainText';
import { raw, writeInline, type WriteLinks } from './writeInline';

/** How a body is written as Markdown. */
export interface WriteOptions extends WriteLinks {
  /** Whether a block's id is written after it: needed for what something points to. */
  hasId: (id: string) => boolean;
  /** Whether depths, tints and other things that Markdown lacks are written in braces after the block. */
  isWhole: boolean;
}

/** What Markdown has no form for, as the attributes that follow the block. */
function attributesOf(node: NodeJson, readDepth: number, options: WriteOptions, isInCell = false) {
  const { id, depth = 0, ...rest } = node.attrs ?? {};
  const group: Record<string, unknown> = { id: typeof id === 'string' && options.hasId(id) ? id : null };
  if (!options.isWhole) return group;
  const kind = textKindOf(node);
  if (kind) {
    // A cell shows what is plain, and boxes.
    const isShown = isInCell ? kind.name === PLAIN || kind.markdown.box !== undefined : !kind.markdown.isSaid;
    if (!isShown) group.kind = kind.name;
    const shown = isInCell && !isShown ? [] : (kind.markdown.shows?.(rest) ?? []);
    Object.assign(group, writtenAttributes(kind.attributes ?? {}, rest, shown));
  }
  if (depth !== readDepth) group.depth = depth;
  return Object.assign(group, writtenAttributes(OF_ANY, rest));
}

const group = (nested: Nested, options: WriteOptions, more: Readonly<Record<string, unknown>> = {}): string =>
  writeAttributes({ ...attributesOf(nested.node, nested.readDepth, options), ...more });

/** Text and the group that follows it. */
function withGroup(children: PhrasingContent[], attributes: string): PhrasingContent[] {
  if (attributes === '') return children.length > 0 ? children : [raw('<!---->')];
  return children.length > 0 ? [...children, raw(` ${attributes}`)] : [raw(attributes)];
}

/** The lines of a cell; what Markdown's cells lack stands in braces after each. */
function writeCell(cell: NodeJson, options: WriteOptions): PhrasingContent[] {
  return (cell.content ?? []).flatMap((line, index) => {
    const attributes = writeAttributes(attributesOf(line, 0, options, true));
    const words = writeInline(line, options, '<br>');
    const box = textKindOf(line)?.markdown.box?.(line) ?? '';
    // A table's cell would lose the spaces it begins with.
    if (index === 0 && box === '' && /^\s/u.test(line.content?.[0]?.text ?? '')) words.unshift(raw('<wbr>'));
    return [
      ...(index > 0 ? [raw('<hr>')] : []),
      ...(box ? [raw(box)] : []),
      ...words,
      ...(attributes ? [raw(` ${attributes}`)] : []),
    ];
  });
}

const writingOf = (nested: Nested, options: WriteOptions): MarkdownWriting => ({
  line: (hardBreak) => withGroup(writeInline(nested.node, options, hardBreak ?? null), group(nested, options)),
  said: (more) => {
    const attributes = group(nested, options, more);
    return attributes ? [raw(`<!-- ${attributes} -->`) as RootContent] : [];
  },
  cell: (cell) => writeCell(cell, options),
  link: (target) => writeInline({ type: 'block', content: [{ type: 'pageLink', attrs: { target } }] }, options),
  fileUrl: options.fileUrl,
  raw,
  isWhole: options.isWhole,
});

function writeItem(nested: Nested, options: WriteOptions): ListItem {
  const box = textKindOf(nested.node)?.markdown.box?.(nested.node);
  const children = [...(box ? [raw(box)] : []), ...writingOf(nested, options).line()];
  return {
    type: 'listItem',
    spread: false,
    children: [{ type: 'paragraph', children }, ...(writeSiblings(nested.children, options) as BlockContent[])],
  };
}

function writeSiblings(siblings: readonly Nested[], options: WriteOptions): RootContent[] {
  return runs(siblings).flatMap(({ list, members }): RootContent[] => {
    if (list !== null) {
      const children = members.map((each) => writeItem(each, options));
      return [{ type: 'list', ordered: list === 'ordered', start: 1, spread: false, children }];
    }
    return members.flatMap((each) => {
      const writing = writingOf(each, options);
      const write = (textKindOf(each.node) ?? solidKindOf(each.node))?.markdown.write;
      return write?.(each.node, writing) ?? [{ type: 'paragraph', children: writing.line() }];
    });
  });
}

/** What is already Markdown is written as it is. */
const writeRaw: Handle = (node: { value: string }) => node.value;

/** What extensions add, as one: they are gone through for each page. */
const asOne = (extensions: readonly Options[]): Options => ({
  handlers: Object.assign({}, ...extensions.map(({ handlers }) => handlers)) as Options['handlers'],
  unsafe: extensions.flatMap(({ unsafe }) => unsafe ?? []),
  join: extensions.flatMap(({ join }) => join ?? []),
});

const flat = (options: Options): Options[] => [...(options.extensions ?? []).flatMap(flat), options];

/** What is written otherwise than the library does by itself. */
const OWN: Options = {
  handlers: { raw: writeRaw, text: writeText, paragraph: writeParagraph } as Options['handlers'],
  unsafe: [
    { character: '[', inConstruct: 'phrasing' },
    { character: '{', inConstruct: 'phrasing' },
    { character: '=', after: '=', inConstruct: 'phrasing' },
    { character: '=', before: '=', inConstruct: 'phrasing' },
    {
      character: '#',
      after: '[^\\s#]',
      inConstruct: 'phrasing',
      notInConstruct: ['destinationRaw', 'destinationLiteral'],
    },
    // Looked at without taking in, so that the second of two signs with one letter between is not passed over.
    { character: '@', before: '(?<=[+\\-.\\w])', after: '(?=[\\-.\\w])', inConstruct: 'phrasing' },
  ],
  // Two quotes or two comments that follow each other are two.
  join: [(left, right) => (left.type === 'list' && right.type === 'list' ? 1 : undefined)],
};

const SERIALIZER: Options = {
  bullet: '-',
  emphasis: '*',
  rule: '-',
  listItemIndent: 'one',
  fences: true,
  ...asOne([...flat(gfmToMarkdown()), OWN]),
};

/** Writes a body as Markdown. With `isWhole` and every id, reading it gives the same body (docs/formats.md). */
export function writeMarkdown(blocks: readonly NodeJson[], options: WriteOptions): string {
  const children = writeSiblings(nest(blocks), options);
  return toMarkdown({ type: 'root', children }, SERIALIZER);
}
