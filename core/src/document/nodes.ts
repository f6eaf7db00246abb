import { Node, mergeAttributes, type Attributes } from '@tiptap/core';

/**
 * The nodes of a body, without views. A body is flat: a sequence of blocks, each with a lasting id and a depth; the
 * children of a block are the blocks after it of greater depth.
 */

/** An attribute that is kept in the HTML as `data-<name>`. */
const dataAttribute = (name: string, fallback: unknown, read: (value: string) => unknown = (value) => value) => ({
  default: fallback,
  keepOnSplit: false,
  parseHTML: (element: HTMLElement) => {
    const value = element.getAttribute(`data-${name}`);
    return value === null ? fallback : read(value);
  },
  renderHTML: (attributes: Record<string, unknown>) => {
    const value = attributes[name];
    return value === null || value === undefined ? {} : { [`data-${name}`]: String(value) };
  },
});

const placed = (): Attributes => ({
  id: dataAttribute('id', null),
  depth: dataAttribute('depth', 0, Number),
  /** The pigment the block is washed with. */
  tint: dataAttribute('tint', null),
});

export const Doc = Node.create({ name: 'doc', topNode: true, content: '(block|solid)+' });

export const Text = Node.create({ name: 'text', group: 'inline' });

/** Every kind of block that holds running text. */
export const Block = Node.create({
  name: 'block',
  group: 'block',
  content: 'inline*',
  defining: true,
  addAttributes() {
    return {
      ...placed(),
      kind: dataAttribute('kind', 'paragraph'),
      level: dataAttribute('level', null, Number),
      state: dataAttribute('state', null),
      /** Ids of blocks that were joined into this one, parted by spaces: links to them lead here. */
      formerIds: dataAttribute('formerIds', null),
      /** True when what stands beneath a foldable block is folded away. */
      folded: dataAttribute('folded', null, (value) => value === 'true'),
      /** True when the line was deleted in one window while it was written in another, and was kept. */
      kept: dataAttribute('kept', null, (value) => value === 'true'),
    };
  },
  parseHTML() {
    const kind = (tag: string, attributes: Record<string, unknown>) => ({ tag, getAttrs: () => attributes });
    return [
      { tag: 'div[data-kind]' },
      kind('h1', { kind: 'heading', level: 1 }),
      kind('h2', { kind: 'heading', level: 2 }),
      kind('h3', { kind: 'heading', level: 3 }),
      kind('h4, h5, h6', { kind: 'heading', level: 4 }),
      kind('ol > li', { kind: 'numbered' }),
      kind('li', { kind: 'bulleted' }),
      kind('blockquote > p, blockquote', { kind: 'quote' }),
      kind('p', { kind: 'paragraph' }),
    ];
  },
  renderHTML({ HTMLAttributes }) {
    return ['div', HTMLAttributes, 0];
  },
});

export const Divider = Node.create({
  name: 'divider',
  group: 'solid',
  atom: true,
  addAttributes: placed,
  parseHTML: () => [{ tag: 'hr' }],
  renderHTML: ({ HTMLAttributes }) => ['hr', HTMLAttributes],
});

/** A live list of headings, pages or chosen places (core/overview). It holds what it lists by id, never its words. */
export const Overview = Node.create({
  name: 'overview',
  group: 'solid',
  atom: true,
  addAttributes() {
    return {
      ...placed(),
      subject: dataAttribute('subject', 'headings'),
      target: dataAttribute('target', null),
      levels: dataAttribute('levels', 0, Number),
      order: dataAttribute('order', 'place'),
      chosen: dataAttribute('chosen', null),
    };
  },
  parseHTML: () => [{ tag: 'nav[data-subject]' }],
  renderHTML: ({ HTMLAttributes }) => ['nav', HTMLAttributes],
});

/** A picture: an attachment shown in place. */
export const Picture = Node.create({
  name: 'picture',
  group: 'solid',
  atom: true,
  addAttributes() {
    return {
      ...placed(),
      file: dataAttribute('file', null),
      name: dataAttribute('name', ''),
      /** What it shows, for those who do not see it. */
      alt: dataAttribute('alt', ''),
      caption: dataAttribute('caption', ''),
      /** Percent of the text's width; null for its own size. */
      width: dataAttribute('width', null, Number),
    };
  },
  parseHTML: () => [{ tag: 'figure[data-file]:not([data-media])' }],
  renderHTML: ({ HTMLAttributes }) => ['figure', HTMLAttributes],
});

/** Any other attachment: a PDF or a sound is shown in place, the rest by name. */
export const FileBlock = Node.create({
  name: 'file',
  group: 'solid',
  atom: true,
  addAttributes() {
    return {
      ...placed(),
      file: dataAttribute('file', null),
      name: dataAttribute('name', ''),
      media: dataAttribute('media', 'application/octet-stream'),
      /** Bytes. */
      size: dataAttribute('size', 0, Number),
      caption: dataAttribute('caption', ''),
    };
  },
  parseHTML: () => [{ tag: 'figure[data-media]' }],
  renderHTML: ({ HTMLAttributes }) => ['figure', HTMLAttributes],
});

/** A page shown by its title, its picture and its first words. */
export const Card = Node.create({
  name: 'card',
  group: 'solid',
  atom: true,
  addAttributes() {
    return { ...placed(), target: dataAttribute('target', null) };
  },
  parseHTML: () => [{ tag: 'aside[data-target]' }],
  renderHTML: ({ HTMLAttributes }) => ['aside', HTMLAttributes],
});

export const CodeBlock = Node.create({
  name: 'codeBlock',
  group: 'solid',
  content: 'text*',
  marks: '',
  code: true,
  defining: true,
  addAttributes() {
    return { ...placed(), language: dataAttribute('language', null) };
  },
  parseHTML: () => [{ tag: 'pre', preserveWhitespace: 'full' }],
  renderHTML: ({ HTMLAttributes }) => ['pre', HTMLAttributes, ['code', 0]],
});

/** What a node is to prosemirror-tables. Every node is asked of, so that each answers for itself alone. */
const tableRole =
  (name: string, role: string) =>
  (extension: { name: string }): Record<string, unknown> =>
    extension.name === name ? { tableRole: role } : {};

export const Table = Node.create({
  name: 'table',
  group: 'solid',
  content: 'tableRow+',
  isolating: true,
  addAttributes: placed,
  extendNodeSchema: tableRole('table', 'table'),
  parseHTML: () => [{ tag: 'table' }],
  renderHTML: ({ HTMLAttributes }) => ['table', HTMLAttributes, ['tbody', 0]],
});

export const TableRow = Node.create({
  name: 'tableRow',
  content: '(tableCell|tableHeader)*',
  extendNodeSchema: tableRole('tableRow', 'row'),
  parseHTML: () => [{ tag: 'tr' }],
  renderHTML: ({ HTMLAttributes }) => ['tr', HTMLAttributes, 0],
});

const cell = (name: string, tag: string) =>
  Node.create({
    name,
    content: 'block+',
    isolating: true,
    /** The names and meanings of the last three are those of prosemirror-tables; cells are not merged. */
    addAttributes: () => ({
      align: dataAttribute('align', null),
      colspan: { default: 1, rendered: false, parseHTML: () => 1 },
      rowspan: { default: 1, rendered: false, parseHTML: () => 1 },
      colwidth: {
        default: null,
        parseHTML: (element: HTMLElement) => {
          const width = Number(element.getAttribute('data-colwidth'));
          return width > 0 ? [width] : null;
        },
        renderHTML: ({ colwidth }: Record<string, unknown>) =>
          Array.isArray(colwidth) ? { 'data-colwidth': String(colwidth[0]) } : {},
      },
    }),
    extendNodeSchema: tableRole(name, name === 'tableHeader' ? 'header_cell' : 'cell'),
    parseHTML: () => [{ tag }],
    renderHTML: ({ HTMLAttributes }) => [tag, HTMLAttributes, 0],
  });

export const TableCell = cell('tableCell', 'td');
export const TableHeader = cell('tableHeader', 'th');

export const HardBreak = Node.create({
  name: 'hardBreak',
  group: 'inline',
  inline: true,
  selectable: false,
  linebreakReplacement: true,
  parseHTML: () => [{ tag: 'br' }],
  renderHTML: () => ['br'],
  renderText: () => '\n',
});

/** A link to anything with an id. It holds no title: shown words come from the target, unless it has words of its own. */
export const PageLink = Node.create({
  name: 'pageLink',
  group: 'inline',
  inline: true,
  atom: true,
  addAttributes() {
    return { target: dataAttribute('target', null), words: dataAttribute('words', null) };
  },
  parseHTML: () => [{ tag: 'a[data-target]', priority: 60 }],
  renderHTML: ({ HTMLAttributes, node }) => [
    'a',
    mergeAttributes(HTMLAttributes, { href: `/to/${String(node.attrs.target)}` }),
    String(node.attrs.words ?? ''),
  ],
});

/** A word marked with #. The name is kept as written, without the mark. */
export const Tag = Node.create({
  name: 'tag',
  group: 'inline',
  inline: true,
  atom: true,
  addAttributes: () => ({ name: dataAttribute('name', '') }),
  parseHTML: () => [{ tag: 'span[data-name]' }],
  renderHTML: ({ HTMLAttributes, node }) => ['span', HTMLAttributes, String(node.attrs.name)],
  renderText: ({ node }) => `#${String(node.attrs.name)}`,
});
