import type { PhrasingContent } from 'mdast';
import { isSafeAddress } from '../../document/marks';
import type { MarkJson, NodeJson } from '../../document/types';
import { TAG_PATTERN } from '../../tags/normalize';
import type { LinkReference } from './types';

/** What reading needs beside the node itself. */
export interface ReadContext {
  /** Says that something was not understood; its text is kept. */
  remark: (what: string) => void;
}

/** A link whose target is still a name. */
export const referenceNode = (reference: LinkReference, words: string | null): NodeJson => ({
  type: 'pageLink',
  attrs: { target: null, words, reference },
});

const textNode = (value: string, marks: MarkJson[]): NodeJson[] => {
  const text = value.replaceAll('\u0000', '');
  return text === '' ? [] : [marks.length > 0 ? { type: 'text', text, marks } : { type: 'text', text }];
};

type Handler<T extends PhrasingContent['type']> = (
  node: Extract<PhrasingContent, { type: T }>,
  marks: MarkJson[],
  context: ReadContext,
) => NodeJson[];

const marked =
  (type: string): Handler<'emphasis' | 'strong' | 'delete'> =>
  (node, marks, context) =>
    readInline(node.children, [...marks, { type }], context);

/** One small reader for each kind of inline node. */
const HANDLERS: { [T in PhrasingContent['type']]?: Handler<T> } = {
  text: (node, marks) => readText(node.value.replace(/\s*\n\s*/gu, ' '), marks),
  emphasis: marked('italic') as Handler<'emphasis'>,
  strong: marked('bold') as Handler<'strong'>,
  delete: marked('strike') as Handler<'delete'>,
  inlineCode: (node) => textNode(node.value, [{ type: 'code' }]),
  break: () => [{ type: 'hardBreak' }],
  link: (node, marks, context) => {
    const words = plain(node.children);
    const block = /#([0-9a-f-]{36})$/u.exec(node.url);
    if (block) return [referenceNode({ form: 'block', name: block[1]! }, words || null)];
    if (!/^[a-z][a-z0-9+.-]*:/iu.test(node.url) && /\.(md|markdown)$/iu.test(decoded(node.url))) {
      return [referenceNode({ form: 'path', name: decoded(node.url) }, words || null)];
    }
    if (isSafeAddress(node.url)) {
      return readInline(node.children, [...marks, { type: 'webLink', attrs: { href: node.url } }], context);
    }
    context.remark(`The link to ${node.url.slice(0, 80)}.`);
    return readInline(node.children, marks, context);
  },
  image: (node, marks, context) => {
    context.remark(`The picture ${node.url.slice(0, 80)}.`);
    return textNode(`![${node.alt ?? ''}](${node.url})`, marks);
  },
  html: (node, marks, context) => {
    if (/^<br\s*\/?>$/iu.test(node.value)) return [{ type: 'hardBreak' }];
    context.remark(`The HTML ${node.value.slice(0, 40)}.`);
    return textNode(node.value, marks);
  },
  footnoteReference: (node, marks, context) => {
    context.remark(`The footnote ${node.identifier}.`);
    return textNode(`[^${node.identifier}]`, marks);
  },
};

export function readInline(nodes: readonly PhrasingContent[], marks: MarkJson[], context: ReadContext): NodeJson[] {
  return nodes.flatMap((node) => {
    const handler = HANDLERS[node.type] as Handler<typeof node.type> | undefined;
    if (handler) return handler(node as never, marks, context);
    context.remark(`A ${node.type}.`);
    return 'children' in node ? readInline(node.children as PhrasingContent[], marks, context) : [];
  });
}

const plain = (nodes: readonly PhrasingContent[]): string =>
  nodes.map((node) => ('value' in node ? node.value : 'children' in node ? plain(node.children) : '')).join('');

function decoded(url: string): string {
  try {
    return decodeURIComponent(url);
  } catch {
    return url;
  }
}

/** Two square brackets, the name, and words of its own after a bar; ==highlighted words==; and #tags. */
const SPECIAL = new RegExp(
  `\\[\\[([^\\[\\]|]{1,2000})(?:\\|([^\\[\\]]{1,2000}))?\\]\\]|==([^=]+)==|(?<=^|[\\s(])${TAG_PATTERN.source}`,
  'gu',
);

/** Finds in running text what Markdown itself does not know. */
function readText(value: string, marks: MarkJson[]): NodeJson[] {
  const nodes: NodeJson[] = [];
  let place = 0;
  for (const match of value.matchAll(SPECIAL)) {
    nodes.push(...textNode(value.slice(place, match.index), marks));
    const [whole, name, words, highlighted, tag] = match;
    if (name !== undefined) nodes.push(referenceNode({ form: 'wiki', name: name.trim() }, words?.trim() ?? null));
    else if (highlighted !== undefined) {
      nodes.push(...readText(highlighted, [...marks, { type: 'highlight', attrs: { pigment: 'ochre' } }]));
    } else nodes.push({ type: 'tag', attrs: { name: tag } });
    place = match.index + whole.length;
  }
  return [...nodes, ...textNode(value.slice(place), marks)];
}
