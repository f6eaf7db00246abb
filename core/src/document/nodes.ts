import { mergeAttributes, Node } from '@tiptap/core';
import { nodeAttributes, oneId, PLACE, textOf, type Attributes } from './attributes';
import { isTagName } from '../tags/path';
import { BLOCK_ATTRIBUTES, SOLID_KINDS, TEXT_KINDS } from './kinds';

/**
 * The nodes of a body, without views. A body is flat: a sequence of blocks, each with a lasting id and a depth; the
 * children of a block are the blocks after it of greater depth.
 */

const Doc = Node.create({ name: 'doc', topNode: true, content: '(block|solid)+' });

const Text = Node.create({ name: 'text', group: 'inline' });

/** Every kind of block that holds running text. */
const Block = Node.create({
  name: 'block',
  group: 'block',
  content: 'inline*',
  defining: true,
  addAttributes: () => nodeAttributes(BLOCK_ATTRIBUTES),
  parseHTML: () => [
    { tag: 'div[data-kind]' },
    ...TEXT_KINDS.flatMap(({ name, parse = [] }) =>
      parse.map(({ tag, attrs }) => ({ tag, getAttrs: () => ({ kind: name, ...attrs }) })),
    ),
  ],
  renderHTML: ({ HTMLAttributes }) => ['div', HTMLAttributes, 0],
});

const solids = Object.fromEntries(
  SOLID_KINDS.map(({ name, node = {}, attributes = {} }) => [
    name,
    Node.create({
      name,
      group: 'solid',
      atom: node.content === undefined,
      addAttributes: () => nodeAttributes({ ...PLACE, ...attributes }),
      parseHTML: () => [{ tag: `div[data-solid="${name}"]` }],
      renderHTML: ({ HTMLAttributes }) => ['div', { ...HTMLAttributes, 'data-solid': name }],
      ...node,
    }),
  ]),
);

const parts = Object.fromEntries(
  SOLID_KINDS.flatMap(({ parts: own = {} }) =>
    Object.entries(own).map(([name, { node, attributes }]) => [
      name,
      Node.create({ name, addAttributes: () => nodeAttributes(attributes), ...node }),
    ]),
  ),
);

const HardBreak = Node.create({
  name: 'hardBreak',
  group: 'inline',
  inline: true,
  selectable: false,
  linebreakReplacement: true,
  parseHTML: () => [{ tag: 'br' }],
  renderHTML: () => ['br'],
  renderText: () => '\n',
});

const LINK: Attributes = {
  target: oneId({ check: (value) => PLACE.id!.check(value) && typeof value === 'string' }),
  words: textOf(2000, null),
};

/** A link to anything with an id. It holds no title: shown words come from the target, unless it has words of its own. */
const PageLink = Node.create({
  name: 'pageLink',
  group: 'inline',
  inline: true,
  atom: true,
  addAttributes: () => nodeAttributes(LINK),
  parseHTML: () => [{ tag: 'a[data-target]', priority: 60 }],
  renderHTML: ({ HTMLAttributes, node }) => [
    'a',
    mergeAttributes(HTMLAttributes, { href: `/to/${String(node.attrs.target)}` }),
    String(node.attrs.words ?? ''),
  ],
});

const TAG_NAME = textOf(200, null);

const TAG: Attributes = {
  /** The id of the tag that is stored. */
  tag: oneId({ holdsIds: false }),
  /** As it was typed, without the mark, until the tag is stored (tags.ts); from then on the tag has its name. */
  name: { ...TAG_NAME, check: (value) => TAG_NAME.check(value) && (typeof value !== 'string' || isTagName(value)) },
};

/** A word marked with #. It holds no name: shown is the present one of its tag. */
const Tag = Node.create({
  name: 'tag',
  group: 'inline',
  inline: true,
  atom: true,
  addAttributes: () => nodeAttributes(TAG),
  parseHTML: () => [{ tag: 'span[data-tag]' }, { tag: 'span[data-name]' }],
  renderHTML: ({ HTMLAttributes, node }) => ['span', HTMLAttributes, String(node.attrs.name ?? '')],
});

/** Every node of a body, by its name. */
export const documentNodes: Readonly<Record<string, Node>> = {
  doc: Doc,
  block: Block,
  text: Text,
  ...solids,
  ...parts,
  hardBreak: HardBreak,
  pageLink: PageLink,
  tag: Tag,
};

/** What each node may say of itself; one without an entry says nothing. */
export const NODE_ATTRIBUTES: Readonly<Record<string, Attributes>> = {
  block: BLOCK_ATTRIBUTES,
  ...Object.fromEntries(SOLID_KINDS.map(({ name, attributes = {} }) => [name, { ...PLACE, ...attributes }])),
  ...Object.fromEntries(
    SOLID_KINDS.flatMap(({ parts: own = {} }) =>
      Object.entries(own).map(([name, { attributes }]) => [name, attributes]),
    ),
  ),
  pageLink: LINK,
  tag: TAG,
};
