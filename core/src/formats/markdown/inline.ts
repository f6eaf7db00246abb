import type { Definition, PhrasingContent } from 'mdast';
import { isSafeAddress } from '../../document/marks';
import { HIGHLIGHTS, type MarkJson, type NodeJson } from '../../document/types';
import { TAG_PATTERN } from '../../tags/normalize';
import { joinedText, orderedMarks } from '../markTree';
import { asWritten, broughtBack } from './escapes';
import type { LinkReference } from './types';

/** What reading needs beside the node itself. */
export interface ReadContext {
  /** Says that something was not understood; its text is kept. */
  remark: (what: string) => void;
  /** The link definitions of the file, by what they are called. */
  definitions: ReadonlyMap<string, Definition>;
}

/** Inline nodes with the marks that are on where they stand; HTML tags turn marks on and off between siblings. */
interface Place {
  marks: MarkJson[];
  context: ReadContext;
}

const withMarks = (node: NodeJson, marks: readonly MarkJson[]): NodeJson => {
  const ordered = orderedMarks(marks);
  return ordered.length > 0 ? { ...node, marks: ordered } : node;
};

/** A link whose target is still a name. */
const referenceNode = (reference: LinkReference, words: string | null, marks: readonly MarkJson[]): NodeJson =>
  withMarks({ type: 'pageLink', attrs: { target: null, words, reference } }, marks);

/** Text as it may be kept; the null character can't be stored. */
export const cleaned = (value: string): string => value.replaceAll('\u0000', '');

const textNodes = (value: string, marks: readonly MarkJson[]): NodeJson[] => {
  const text = cleaned(value);
  return text === '' ? [] : [withMarks({ type: 'text', text }, marks)];
};

type Handler<T extends PhrasingContent['type']> = (
  node: Extract<PhrasingContent, { type: T }>,
  place: Place,
) => NodeJson[];

const marked =
  (type: string): Handler<'emphasis' | 'strong' | 'delete'> =>
  (node, { marks, context }) =>
    readNodes(node.children, { marks: [...marks, { type }], context });

function readLink(url: string, children: readonly PhrasingContent[], { marks, context }: Place): NodeJson[] {
  const address = broughtBack(url);
  const words = plain(children);
  const block = /(?:#|^\/(?:to|b|p|n)\/)([0-9a-f-]{36})$/u.exec(address);
  if (block) return [referenceNode({ form: 'block', name: block[1]! }, words || null, marks)];
  if (!/^[a-z][a-z0-9+.-]*:/iu.test(address) && /\.(md|markdown)$/iu.test(decoded(address))) {
    return [referenceNode({ form: 'path', name: decoded(address) }, words || null, marks)];
  }
  if (isSafeAddress(address)) {
    return readNodes(children, { marks: [...marks, { type: 'webLink', attrs: { href: address } }], context });
  }
  context.remark(`The link to ${address.slice(0, 80)}.`);
  return readNodes(children, { marks, context });
}

/** One small reader for each kind of inline node. */
const HANDLERS: { [T in PhrasingContent['type']]?: Handler<T> } = {
  text: (node, { marks }) => readText(node.value.replace(/\s*\n\s*/gu, ' '), marks),
  emphasis: marked('italic') as Handler<'emphasis'>,
  strong: marked('bold') as Handler<'strong'>,
  delete: marked('strike') as Handler<'delete'>,
  inlineCode: (node, { marks }) => textNodes(asWritten(node.value), [...marks, { type: 'code' }]),
  break: () => [{ type: 'hardBreak' }],
  link: (node, place) => readLink(node.url, node.children, place),
  linkReference: (node, place) => {
    const definition = place.context.definitions.get(node.identifier);
    return definition ? readLink(definition.url, node.children, place) : readNodes(node.children, place);
  },
  image: (node, place) => readImage(node.url, node.alt ?? '', place),
  imageReference: (node, place) =>
    readImage(place.context.definitions.get(node.identifier)?.url ?? '', node.alt ?? '', place),
  footnoteReference: (node, { marks, context }) => {
    context.remark(`The footnote ${node.identifier}.`);
    return textNodes(`[^${node.label ?? node.identifier}]`, marks);
  },
};

/** A picture within a line can't be shown there: a web address stays reachable as a link, anything else as text. */
function readImage(url: string, alt: string, { marks, context }: Place): NodeJson[] {
  const address = broughtBack(url);
  const shown = broughtBack(alt);
  context.remark(`The picture ${address.slice(0, 80)}.`);
  return isSafeAddress(address) && !address.startsWith('/')
    ? textNodes(shown || address, [...marks, { type: 'webLink', attrs: { href: address } }])
    : textNodes(`![${shown}](${address})`, marks);
}

const MARK_TAGS: Record<string, string> = {
  u: 'underline',
  ins: 'underline',
  mark: 'highlight',
  code: 'code',
  b: 'bold',
  strong: 'bold',
  i: 'italic',
  em: 'italic',
  s: 'strike',
  del: 'strike',
};

/** What a tag within a line does: a mark goes on or off, a line breaks, a tag of one's own is set. */
function readTag(value: string, place: Place): NodeJson[] | null {
  if (/^<!--[\s-]*-->$/u.test(value) || /^<wbr\s*\/?>$/iu.test(value)) return [];
  if (/^<br\s*\/?>$/iu.test(value)) return [{ type: 'hardBreak' }];
  const own = /^<span data-tag="([^"]*)">$/u.exec(value);
  if (own) return [withMarks({ type: 'tag', attrs: { name: decoded(own[1]!) } }, place.marks)];
  const [, isClosing, name, attributes] = /^<(\/?)([a-z]+)((?:\s[^>]*)?)>$/iu.exec(value) ?? [];
  if (name === 'span') return [];
  const type = MARK_TAGS[name?.toLowerCase() ?? ''];
  if (!type) return null;
  if (isClosing) place.marks = place.marks.filter((mark) => mark.type !== type);
  else if (type === 'highlight') {
    const pigment = /data-pigment="(\w+)"/u.exec(attributes ?? '')?.[1] ?? 'ochre';
    place.marks = [...place.marks, { type, attrs: { pigment: isPigment(pigment) ? pigment : 'ochre' } }];
  } else place.marks = [...place.marks, { type }];
  return [];
}

const isPigment = (name: string): boolean => (HIGHLIGHTS as readonly string[]).includes(name);

function readNodes(nodes: readonly PhrasingContent[], { marks, context }: Place): NodeJson[] {
  const place: Place = { marks, context };
  return nodes.flatMap((node) => {
    if (node.type === 'html') {
      const read = readTag(asWritten(node.value), place);
      if (read) return read;
      context.remark(`The HTML ${node.value.slice(0, 40)}.`);
      return textNodes(asWritten(node.value), place.marks);
    }
    const handler = HANDLERS[node.type] as Handler<typeof node.type> | undefined;
    if (handler) return handler(node as never, place);
    context.remark(`A ${node.type}.`);
    return 'children' in node ? readNodes(node.children as PhrasingContent[], place) : [];
  });
}

/** The inline content of a line. */
export const readInline = (nodes: readonly PhrasingContent[], context: ReadContext): NodeJson[] =>
  joinedText(readNodes(nodes, { marks: [], context }));

const plain = (nodes: readonly PhrasingContent[]): string =>
  nodes
    .map((node) => {
      if (node.type === 'inlineCode') return asWritten(node.value);
      if (node.type === 'html') return '';
      if (node.type === 'break') return ' ';
      return 'value' in node ? broughtBack(node.value) : 'children' in node ? plain(node.children) : '';
    })
    .join('')
    .replace(/\s*\n\s*/gu, ' ');

function decoded(url: string): string {
  try {
    return decodeURIComponent(url);
  } catch {
    return url;
  }
}

/** Two square brackets, the name, and words of its own after a bar; ==highlighted words==; and #tags. */
const SPECIAL = new RegExp(
  `\\[\\[([^\\[\\]|]{1,2000})(?:\\|([^\\[\\]]{1,2000}))?\\]\\]|==([^=\\s](?:[^=]*[^=\\s])?)==|(?<=^|[\\s(])${TAG_PATTERN.source}`,
  'gu',
);

/** Finds in running text what Markdown itself does not know. */
function readText(value: string, marks: MarkJson[]): NodeJson[] {
  const nodes: NodeJson[] = [];
  let end = 0;
  for (const match of value.matchAll(SPECIAL)) {
    nodes.push(...textNodes(broughtBack(value.slice(end, match.index)), marks));
    const [whole, name, words, highlighted, tag] = match;
    if (name !== undefined) {
      const own = words?.trim() ? broughtBack(words.trim()) : null;
      nodes.push(referenceNode({ form: 'wiki', name: broughtBack(name.trim()) }, own, marks));
    } else if (highlighted !== undefined) {
      nodes.push(...readText(highlighted, [...marks, { type: 'highlight', attrs: { pigment: 'ochre' } }]));
    } else nodes.push(withMarks({ type: 'tag', attrs: { name: tag } }, marks));
    end = match.index + whole.length;
  }
  return [...nodes, ...textNodes(broughtBack(value.slice(end)), marks)];
}
