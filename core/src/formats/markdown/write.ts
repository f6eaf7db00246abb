import type { AlignType, BlockContent, ListItem, PhrasingContent, RootContent, TableRow } from 'mdast';
import { gfmToMarkdown } from 'mdast-util-gfm';
import { toMarkdown, type Handle, type Options } from 'mdast-util-to-markdown';
import type { NodeJson } from '../../document/types';
import { writeAttributes } from '../attributes';
import { nest, runs, type Nested } from '../nest';
import { raw, writeInline, type WriteLinks } from './writeInline';

/** How a body is written as Markdown. */
export interface WriteOptions extends WriteLinks {
  /** Whether a block's id is written after it: needed for what something points to. */
  hasId: (id: string) => boolean;
  /** Whether depths, tints and other things that Markdown lacks are written in braces after the block. */
  isWhole: boolean;
}

const isTrue = (value: unknown): true | null => (value === true ? true : null);

/** What Markdown has no form for, as the attributes that follow the block. */
function attributesOf({ node, readDepth }: Nested, { hasId, isWhole }: WriteOptions): Record<string, unknown> {
  const { id, depth, tint, formerIds, kept, kind, folded } = node.attrs ?? {};
  const isKnown = typeof id === 'string' && hasId(id);
  return {
    id: isKnown ? id : null,
    ...(isWhole && {
      kind: kind === 'fold' ? 'fold' : null,
      depth: Number(depth) === readDepth ? null : depth,
      tint,
      folded: folded === false ? 'no' : isTrue(folded),
      former: formerIds,
      kept: isTrue(kept),
    }),
  };
}

const group = (nested: Nested, options: WriteOptions, more: Record<string, unknown> = {}): string =>
  writeAttributes({ ...attributesOf(nested, options), ...more });

/** Text and the group that follows it. */
function withGroup(children: PhrasingContent[], attributes: string): PhrasingContent[] {
  if (attributes === '') return children.length > 0 ? children : [raw('<!---->')];
  return children.length > 0 ? [...children, raw(` ${attributes}`)] : [raw(attributes)];
}

/** A comment that says of the next node what it can't say itself. */
const said = (attributes: string): RootContent[] => (attributes ? [raw(`<!-- ${attributes} -->`) as RootContent] : []);

type Writer = (nested: Nested, options: WriteOptions) => RootContent[];

const paragraph: Writer = (nested, options) => [
  { type: 'paragraph', children: withGroup(writeInline(nested.node, options), group(nested, options)) },
];

const boxed =
  (first: PhrasingContent[]): Writer =>
  (nested, options) => [
    {
      type: 'blockquote',
      children: [
        {
          type: 'paragraph',
          children: [...first, ...withGroup(writeInline(nested.node, options), group(nested, options))],
        },
      ],
    },
  ];

/** How each kind of text block is written; items are written with the list they are in. */
const KINDS: Record<string, Writer> = {
  paragraph,
  heading: (nested, options) => [
    {
      type: 'heading',
      depth: Math.min(4, Math.max(1, Number(nested.node.attrs?.level ?? 2))) as 1 | 2 | 3 | 4,
      children: withGroup(writeInline(nested.node, options, '<br>'), group(nested, options)),
    },
  ],
  quote: boxed([]),
  note: boxed([raw('[!NOTE]\n')]),
};

/** How each other block is written. */
const SOLIDS: Record<string, Writer> = {
  divider: (nested, options) => [...said(group(nested, options)), { type: 'thematicBreak' }],
  codeBlock: (nested, options) => {
    const language = nested.node.attrs?.language as string | null;
    const isPlain = language === null || /^[\w+#.-]+$/u.test(language);
    return [
      ...said(group(nested, options, isPlain ? {} : { language })),
      { type: 'code', lang: isPlain ? language : null, value: nested.node.content?.[0]?.text ?? '' },
    ];
  },
  table: (nested, options) => writeTable(nested, options),
  overview: (nested, options) => {
    const { subject, target, levels, order, chosen } = nested.node.attrs ?? {};
    return said(group(nested, options, { overview: subject, target, levels, order, chosen }));
  },
  card: (nested, options) => {
    const target = String(nested.node.attrs?.target);
    const link = writeInline(
      { type: 'block', content: [{ type: 'pageLink', attrs: { target, words: null } }] },
      options,
    );
    return [...said(group(nested, options, { card: true })), { type: 'paragraph', children: link }];
  },
  picture: (nested, options) => {
    const { file, name, alt, caption, width } = nested.node.attrs ?? {};
    const url = options.fileUrl(String(file), String(name));
    const image: PhrasingContent = { type: 'image', url, alt: String(alt), title: String(caption) || null };
    return [...said(group(nested, options, { picture: file, name, width })), { type: 'paragraph', children: [image] }];
  },
  file: (nested, options) => {
    const { file, name, media, size, caption } = nested.node.attrs ?? {};
    const url = options.fileUrl(String(file), String(name));
    const shown = String(name) || 'File';
    return [
      ...said(group(nested, options, { file, name, media, size, caption: caption || null })),
      { type: 'paragraph', children: [{ type: 'link', url, children: [{ type: 'text', value: shown }] }] },
    ];
  },
};

/** Whether the first row, the first column, both or neither are headers. */
function headersOf(rows: readonly NodeJson[]): 'row' | 'column' | 'both' | 'none' {
  const isHeader = (row: number, column: number) => rows[row]?.content?.[column]?.type === 'tableHeader';
  const isRow = isHeader(0, 1) || (isHeader(0, 0) && (rows[0]?.content?.length ?? 0) < 2 && !isHeader(1, 0));
  const isColumn = isHeader(1, 0) || (rows.length < 2 && isHeader(0, 0) && !isRow);
  return isRow && isColumn ? 'both' : isRow ? 'row' : isColumn ? 'column' : 'none';
}

/** The lines of a cell; what Markdown's cells lack stands in braces after each. */
function writeCell(cell: NodeJson, options: WriteOptions): PhrasingContent[] {
  return (cell.content ?? []).flatMap((line, index) => {
    const { id, kind, level, state, ...rest } = line.attrs ?? {};
    const attributes = writeAttributes({
      id: typeof id === 'string' && options.hasId(id) ? id : null,
      ...(options.isWhole && {
        kind: kind === 'paragraph' || kind === 'todo' ? null : kind,
        level,
        depth: rest.depth || null,
        tint: rest.tint,
        folded: rest.folded === false ? 'no' : isTrue(rest.folded),
        former: rest.formerIds,
        kept: isTrue(rest.kept),
      }),
    });
    const words = writeInline(line, options, '<br>');
    // A table's cell would lose the spaces it begins with.
    if (index === 0 && kind !== 'todo' && /^\s/u.test(line.content?.[0]?.text ?? '')) words.unshift(raw('<wbr>'));
    const box = kind === 'todo' ? [raw(`${BOXES[String(state ?? 'open')]} `)] : [];
    return [...(index > 0 ? [raw('<hr>')] : []), ...box, ...words, ...(attributes ? [raw(` ${attributes}`)] : [])];
  });
}

const writeTable: Writer = (nested, options) => {
  const rows = nested.node.content ?? [];
  const headers = headersOf(rows);
  const first = rows[0]?.content ?? [];
  const widths = first.map((cell) => (cell.attrs?.colwidth as number[] | null)?.[0] ?? 'auto');
  const isSized = widths.some((width) => width !== 'auto');
  const more = options.isWhole
    ? { headers: headers === 'row' ? null : headers, widths: isSized ? widths.join(',') : null }
    : {};
  const written: TableRow[] = rows.map((row) => ({
    type: 'tableRow',
    children: (row.content ?? []).map((cell) => ({ type: 'tableCell', children: writeCell(cell, options) })),
  }));
  if (headers === 'column' || headers === 'none') {
    written.unshift({ type: 'tableRow', children: first.map(() => ({ type: 'tableCell', children: [] })) });
  }
  const align = first.map((cell) => (cell.attrs?.align as AlignType | undefined) ?? null);
  return [...said(group(nested, options, more)), { type: 'table', align, children: written }];
};

/** To-dos as GitHub's items write them, and the two states that those lack. */
export const BOXES: Record<string, string> = { open: '[ ]', done: '[x]', begun: '[/]', dropped: '[-]' };

function writeItem(nested: Nested, options: WriteOptions): ListItem {
  const { kind, state } = nested.node.attrs ?? {};
  const box = kind === 'todo' ? [raw(`${BOXES[String(state ?? 'open')]} `)] : [];
  const children = [...box, ...withGroup(writeInline(nested.node, options), group(nested, options))];
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
      const { node } = each;
      const writer = node.type === 'block' ? KINDS[String(node.attrs?.kind)] : SOLIDS[node.type];
      return (writer ?? paragraph)(each, options);
    });
  });
}

/** What is already Markdown is written as it is. */
const writeRaw: Handle = (node: { value: string }) => node.value;

const SERIALIZER: Options = {
  bullet: '-',
  emphasis: '*',
  rule: '-',
  listItemIndent: 'one',
  fences: true,
  extensions: [gfmToMarkdown()],
  handlers: { raw: writeRaw } as Options['handlers'],
  unsafe: [
    { character: '[', inConstruct: 'phrasing' },
    { character: '{', inConstruct: 'phrasing' },
    { character: '=', after: '=', inConstruct: 'phrasing' },
    { character: '=', before: '=', inConstruct: 'phrasing' },
    { character: '#', after: '[^\\s#]', inConstruct: 'phrasing' },
    // Looked at without taking in, so that the second of two signs with one letter between is not passed over.
    { character: '@', before: '(?<=[+\\-.\\w])', after: '(?=[\\-.\\w])', inConstruct: 'phrasing' },
  ],
  // Two quotes or two comments that follow each other are two.
  join: [(left, right) => (left.type === 'list' && right.type === 'list' ? 1 : undefined)],
};

/** Writes a body as Markdown. With `isWhole` and every id, reading it gives the same body (docs/formats.md). */
export function writeMarkdown(blocks: readonly NodeJson[], options: WriteOptions): string {
  const children = writeSiblings(nest(blocks), options);
  return toMarkdown({ type: 'root', children }, SERIALIZER);
}
