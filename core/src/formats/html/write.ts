import type { Element, ElementContent, Properties } from 'hast';
import { toHtml } from 'hast-util-to-html';
import { writtenAttributes } from '../../document/attributes';
import { element, htmlText, kindOf, solidKindOf, textKindOf, type HtmlWriting } from '../../document/kinds';
import { shownWords } from '../../document/text';
import type { MarkJson, NodeJson } from '../../document/types';
import { OF_ANY } from '../attributes';
import { markTree, type MarkTree } from '../markTree';
import { nest, runs, type Nested } from '../nest';
import type { WriteLinks } from '../markdown/writeInline';

/** Which blocks' ids are written, and how links and attachments are. */
export interface WriteHtmlOptions extends WriteLinks {
  hasId: (id: string) => boolean;
}

const words = htmlText;

const MARKS: Record<string, (mark: MarkJson) => [string, Properties]> = {
  bold: () => ['strong', {}],
  italic: () => ['em', {}],
  underline: () => ['u', {}],
  strike: () => ['s', {}],
  code: () => ['code', {}],
  highlight: (mark) => ['mark', { dataPigment: String(mark.attrs?.pigment ?? 'ochre') }],
  webLink: (mark) => ['a', { href: String(mark.attrs?.href) }],
};

const LEAVES: Record<string, (leaf: NodeJson, options: WriteHtmlOptions) => ElementContent> = {
  text: (leaf) => words(leaf.text ?? ''),
  hardBreak: () => element('br', {}),
  tag: (leaf, { titleOf }) => {
    const name = shownWords(leaf, titleOf);
    return element('span', { dataTag: name }, [words(`#${name}`)]);
  },
  pageLink: (leaf, options) => {
    const target = String(leaf.attrs?.target);
    const own = leaf.attrs?.words as string | null;
    const properties = { href: options.linkUrl(target), dataTarget: target, dataOwn: own === null ? undefined : own };
    return element('a', properties, [words(own ?? options.titleOf(target))]);
  },
};

const writeTree = (tree: readonly MarkTree[], options: WriteHtmlOptions): ElementContent[] =>
  tree.map((each) => {
    if ('leaf' in each) return LEAVES[each.leaf.type]?.(each.leaf, options) ?? words('');
    const [tag, properties] = MARKS[each.mark.type]!(each.mark);
    return element(tag, properties, writeTree(each.children, options));
  });

const inline = (node: NodeJson, options: WriteHtmlOptions): ElementContent[] =>
  writeTree(markTree(node.content ?? []), options);

/** A text of formats as a data attribute: what its name says is `true`. */
function asData(texts: Readonly<Record<string, string | true>>): Properties {
  const data: Properties = {};
  for (const name in texts) data[dataName(name)] = String(texts[name]);
  return data;
}

const dataName = (name: string): string => `data${name[0]!.toUpperCase()}${name.slice(1)}`;

/** What HTML has no form of its own for. */
function dataOf(node: NodeJson, readDepth: number, { hasId }: WriteHtmlOptions): Properties {
  const { id, depth = 0, ...rest } = node.attrs ?? {};
  const data = asData({
    ...writtenAttributes(OF_ANY, rest),
    ...writtenAttributes(textKindOf(node)?.attributes ?? {}, rest),
  });
  if (typeof id === 'string' && hasId(id)) data.dataId = id;
  if (depth !== readDepth) data.dataDepth = String(depth);
  return data;
}

function writeItem({ node, readDepth, children }: Nested, options: WriteHtmlOptions): Element {
  const kind = textKindOf(node)!;
  return element('li', { dataKind: kind.html.isSaid ? kind.name : undefined, ...dataOf(node, readDepth, options) }, [
    ...(kind.html.box ? [kind.html.box(node)] : []),
    ...inline(node, options),
    ...writeSiblings(children, options),
  ]);
}

/** The lines of a cell are flat: what they are is said of each. */
const writeLines = (cell: NodeJson, options: WriteHtmlOptions): Element[] =>
  (cell.content ?? []).map((line) =>
    element('p', { dataKind: kindOf(line), ...dataOf(line, 0, options) }, inline(line, options)),
  );

const writeSiblings = (siblings: readonly Nested[], options: WriteHtmlOptions): Element[] =>
  runs(siblings).flatMap(({ list, members }) => {
    if (list !== null) {
      const items = members.map((each) => writeItem(each, options));
      return [element(list === 'ordered' ? 'ol' : 'ul', {}, items)];
    }
    const writing: HtmlWriting = { ...options, lines: (cell) => writeLines(cell, options) };
    return members.map(({ node, readDepth }) => {
      const data = dataOf(node, readDepth, options);
      const solid = solidKindOf(node)?.html.write;
      if (solid) return solid(node, data, writing);
      const content = inline(node, options);
      return textKindOf(node)?.html.line?.(node, data, content) ?? element('p', data, content);
    });
  });

/** Blocks as one element that says that spaces count. */
export const htmlTree = (blocks: readonly NodeJson[], options: WriteHtmlOptions): Element =>
  element('div', { dataForm: 'glossarion' }, writeSiblings(nest(blocks), options));

/** Writes blocks as HTML; reading it gives the same blocks. */
export const writeHtml = (blocks: readonly NodeJson[], options: WriteHtmlOptions): string =>
  toHtml(htmlTree(blocks, options));
