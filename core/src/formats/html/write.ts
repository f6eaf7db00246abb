import type { Element, ElementContent, Properties } from 'hast';
import { toHtml } from 'hast-util-to-html';
import type { MarkJson, NodeJson } from '../../document/types';
import { markTree, type MarkTree } from '../markTree';
import { nest, runs, type Nested } from '../nest';
import type { WriteLinks } from '../markdown/writeInline';

/** Which blocks' ids are written, and how links and attachments are. */
export interface WriteHtmlOptions extends WriteLinks {
  hasId: (id: string) => boolean;
}

const element = (tagName: string, properties: Properties, children: ElementContent[] = []): Element => ({
  type: 'element',
  tagName,
  properties,
  children,
});

const words = (value: string): ElementContent => ({ type: 'text', value });
const orNone = (value: unknown): string | undefined =>
  value === null || value === undefined || value === '' ? undefined : String(value);

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
  tag: (leaf) => element('span', { dataTag: String(leaf.attrs?.name) }, [words(`#${String(leaf.attrs?.name)}`)]),
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

/** What HTML has no form of its own for. */
function dataOf(node: NodeJson, readDepth: number, { hasId }: WriteHtmlOptions): Properties {
  const { id, depth, tint, formerIds, kept, folded } = node.attrs ?? {};
  return {
    dataId: typeof id === 'string' && hasId(id) ? id : undefined,
    dataDepth: Number(depth ?? 0) === readDepth ? undefined : String(depth),
    dataTint: orNone(tint),
    dataFormer: orNone(formerIds),
    dataKept: kept === true ? 'true' : undefined,
    dataFolded: typeof folded === 'boolean' ? String(folded) : undefined,
  };
}

const TEXT: Record<string, (node: NodeJson, data: Properties, content: ElementContent[]) => Element> = {
  heading: (node, data, content) => element(`h${Number(node.attrs?.level ?? 2)}`, data, content),
  quote: (_node, data, content) => element('blockquote', {}, [element('p', data, content)]),
  note: (_node, data, content) => element('blockquote', { dataKind: 'note' }, [element('p', data, content)]),
};

function writeItem(nested: Nested, options: WriteHtmlOptions): Element {
  const { kind, state } = nested.node.attrs ?? {};
  const own = kind === 'todo' || kind === 'fold' ? { dataKind: String(kind) } : {};
  const box = element('input', { type: 'checkbox', disabled: true, checked: state === 'done' });
  return element('li', { ...own, dataState: orNone(state), ...dataOf(nested.node, nested.readDepth, options) }, [
    ...(kind === 'todo' ? [box] : []),
    ...inline(nested.node, options),
    ...writeSiblings(nested.children, options),
  ]);
}

type Solid = (node: NodeJson, data: Properties, options: WriteHtmlOptions) => Element;

const caption = (node: NodeJson): Element[] =>
  node.attrs?.caption ? [element('figcaption', {}, [words(String(node.attrs.caption))])] : [];

/** How each block that is not text is written. */
const SOLIDS: Record<string, Solid> = {
  divider: (_node, data) => element('hr', data),
  codeBlock: (node, data) => {
    const properties = { ...data, dataLanguage: orNone(node.attrs?.language) };
    // A line end at the start of a listing would be taken for the form of the file.
    return element('pre', properties, [element('code', {}, [words(node.content?.[0]?.text ?? '')])]);
  },
  table: (node, data, options) =>
    element('table', data, [
      element(
        'tbody',
        {},
        (node.content ?? []).map((row) => writeRow(row, options)),
      ),
    ]),
  overview: (node, data) => {
    const { subject, target, levels, order, chosen } = node.attrs ?? {};
    return element('nav', {
      ...data,
      dataOverview: String(subject),
      dataOf: orNone(target),
      dataLevels: String(levels),
      dataOrder: String(order),
      dataChosen: orNone(chosen),
    });
  },
  card: (node, data, options) => {
    const target = String(node.attrs?.target);
    const link = element('a', { href: options.linkUrl(target) }, [words(options.titleOf(target))]);
    return element('aside', { ...data, dataCard: target }, [link]);
  },
  picture: (node, data, options) => {
    const { file, name, alt, width } = node.attrs ?? {};
    const src = options.fileUrl(String(file), String(name));
    const properties = { ...data, dataPicture: String(file), dataName: String(name), dataWidth: orNone(width) };
    return element('figure', properties, [element('img', { src, alt: String(alt) }), ...caption(node)]);
  },
  file: (node, data, options) => {
    const { file, name, media, size } = node.attrs ?? {};
    const href = options.fileUrl(String(file), String(name));
    const properties = {
      dataFile: String(file),
      dataName: String(name),
      dataMedia: String(media),
      dataSize: String(size),
    };
    return element('figure', { ...data, ...properties }, [
      element('a', { href }, [words(String(name) || 'File')]),
      ...caption(node),
    ]);
  },
};

function writeRow(row: NodeJson, options: WriteHtmlOptions): Element {
  const cells = (row.content ?? []).map((cell) => {
    const { align, colwidth } = cell.attrs ?? {};
    const properties = { align: orNone(align), dataWidth: Array.isArray(colwidth) ? String(colwidth[0]) : undefined };
    // The lines of a cell are flat: what they are is said of each.
    const lines = (cell.content ?? []).map((line) => {
      const { kind, level, state } = line.attrs ?? {};
      const data = { dataKind: String(kind), dataLevel: orNone(level), dataState: orNone(state) };
      return element('p', { ...data, ...dataOf(line, 0, options) }, inline(line, options));
    });
    return element(cell.type === 'tableHeader' ? 'th' : 'td', properties, lines);
  });
  return element('tr', {}, cells);
}

const writeSiblings = (siblings: readonly Nested[], options: WriteHtmlOptions): Element[] =>
  runs(siblings).flatMap(({ list, members }) => {
    if (list !== null) {
      const items = members.map((each) => writeItem(each, options));
      return [element(list === 'ordered' ? 'ol' : 'ul', {}, items)];
    }
    return members.map(({ node, readDepth }) => {
      const data = dataOf(node, readDepth, options);
      if (node.type !== 'block') return SOLIDS[node.type]!(node, data, options);
      const writer = TEXT[String(node.attrs?.kind)];
      const content = inline(node, options);
      return writer ? writer(node, data, content) : element('p', data, content);
    });
  });

/** Writes blocks as HTML within one element that says that spaces count; reading it gives the same blocks. */
export function writeHtml(blocks: readonly NodeJson[], options: WriteHtmlOptions): string {
  return toHtml(element('div', { dataForm: 'glossarion' }, writeSiblings(nest(blocks), options)));
}
