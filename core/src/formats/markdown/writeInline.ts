import type { PhrasingContent } from 'mdast';
import { shownWords } from '../../document/text';
import type { MarkJson, NodeJson } from '../../document/types';
import { TAG_PATTERN } from '../../tags/path';
import { markTree, type MarkTree } from '../markTree';

/** How links and attachments are written. */
export interface WriteLinks {
  /** The present title of what a link points to, and the name of a tag. */
  titleOf: (target: string) => string;
  linkUrl: (target: string) => string;
  fileUrl: (file: string, name: string) => string;
}

/** Markdown that is written as it stands. */
export const raw = (value: string): PhrasingContent => ({ type: 'raw', value }) as unknown as PhrasingContent;

type MarkWriter = (children: PhrasingContent[], mark: MarkJson, inner: readonly MarkTree[]) => PhrasingContent[];

const tagged = (tag: string, attributes = ''): MarkWriter => {
  return (children) => [raw(`<${tag}${attributes}>`), ...children, raw(`</${tag}>`)];
};

/** A run of plain words can stand between two equals signs; anything else between tags. */
const isPlainRun = (inner: readonly MarkTree[]): boolean => {
  const [only] = inner;
  return inner.length === 1 && 'leaf' in only! && /^[^=\s](?:[^=]*[^=\s])?$/u.test(only.leaf.text ?? '');
};

const MARKS: Record<string, MarkWriter> = {
  bold: (children) => [{ type: 'strong', children }],
  italic: (children) => [{ type: 'emphasis', children }],
  strike: (children) => [{ type: 'delete', children }],
  underline: tagged('u'),
  code: (children, _mark, inner) =>
    inner.flatMap((each, index) =>
      'leaf' in each && each.leaf.type === 'text'
        ? [{ type: 'inlineCode' as const, value: each.leaf.text ?? '' }]
        : tagged('code')([children[index]!], { type: 'code' }, []),
    ),
  highlight: (children, mark, inner) => {
    const pigment = String(mark.attrs?.pigment ?? 'ochre');
    return pigment === 'ochre' && isPlainRun(inner)
      ? [raw('=='), ...children, raw('==')]
      : tagged('mark', ` data-pigment="${pigment}"`)(children, mark, inner);
  },
  webLink: (children, mark) => [{ type: 'link', url: String(mark.attrs?.href), children }],
};

/** Inline nodes but for marks. `hardBreak` is how a break is written where a line can't end. */
function writeLeaf(leaf: NodeJson, options: WriteLinks, hardBreak: string | null): PhrasingContent[] {
  switch (leaf.type) {
    case 'text':
      return [{ type: 'text', value: leaf.text ?? '' }];
    case 'hardBreak':
      return hardBreak ? [raw(hardBreak)] : [{ type: 'break' }];
    case 'tag': {
      const name = shownWords(leaf, options.titleOf);
      // Within a link a hash before a word is a word.
      const isInLink = leaf.marks?.some(({ type }) => type === 'webLink');
      const isPlain = !isInLink && new RegExp(`^${TAG_PATTERN.source}$`, 'u').test(`#${name}`);
      return [raw(isPlain ? `<wbr>#${name}<wbr>` : `<span data-tag="${encodeURIComponent(name)}"></span>`)];
    }
    case 'pageLink': {
      const target = String(leaf.attrs?.target);
      const words = typeof leaf.attrs?.words === 'string' ? leaf.attrs.words : options.titleOf(target);
      return [{ type: 'link', url: options.linkUrl(target), children: [{ type: 'text', value: words }] }];
    }
    default:
      return [];
  }
}

const TAG_CHARACTER = /[\p{L}\p{M}\p{N}_/-]/u;

/** The words of a line. A tag is parted by an empty comment from words it would else run into. */
export function writeInline(line: NodeJson, options: WriteLinks, hardBreak: string | null = null): PhrasingContent[] {
  const write = (tree: readonly MarkTree[]): PhrasingContent[] =>
    tree.flatMap((each) => {
      if ('leaf' in each) return writeLeaf(each.leaf, options, hardBreak);
      const children = write(each.children);
      return MARKS[each.mark.type]?.(children, each.mark, each.children) ?? children;
    });
  return withoutIdleComments(write(markTree(line.content ?? [])));
}

const valueOf = (node: PhrasingContent | undefined): string | null =>
  node === undefined ? '' : 'value' in node && (node.type as string) !== 'inlineCode' ? node.value : null;

function withoutIdleComments(nodes: PhrasingContent[]): PhrasingContent[] {
  return nodes.map((node, index) => {
    if ('children' in node) {
      return { ...node, children: withoutIdleComments(node.children as PhrasingContent[]) } as PhrasingContent;
    }
    if ((node.type as string) !== 'raw' || !(node as unknown as { value: string }).value.startsWith('<wbr>#'))
      return node;
    let { value } = node as unknown as { value: string };
    const before = valueOf(nodes[index - 1]);
    const after = valueOf(nodes[index + 1]);
    if (before !== null && /(?:^|[\s(])$/u.test(before)) value = value.slice('<wbr>'.length);
    if (after !== null && (after === '' || !TAG_CHARACTER.test(after[0]!))) value = value.slice(0, -'<wbr>'.length);
    return raw(value);
  });
}
