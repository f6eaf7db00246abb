import type { Definition, PhrasingContent } from 'mdast';
import { isId } from '../../document/ids';
import { isSafeAddress } from '../../document/marks';
import { HIGHLIGHTS, type MarkJson, type NodeJson } from '../../document/types';
import { isTagName, TAG_PATTERN } from '../../tags/path';
import { joinedText, orderedMarks } from '../markTree';
import { asWritten, broughtBack } from './escapes';
import { fileReference } from './filesAlong';
import type { LinkReference } from './types';

/** What reading needs beside the node itself. */
export interface ReadContext {
  /** Whether it is a file of a folder, whose relative links lead to other files. */
  isFile: boolean;
  /** Says that something was not understood; its text is kept. */
  remark: (what: string) => void;
  /** The link definitions of the file, by what they are called. */
  definitions: ReadonlyMap<string, Definition>;
  /** The identifiers of those that were used. */
  used: Set<string>;
}

/** Inline nodes with the marks that are on where they stand; HTML tags turn marks on and off between siblings. */
interface Place {
  marks: MarkJson[];
  context: ReadContext;
  /** Within a link to the outside, where nothing else can be linked or tagged. */
  isInLink?: boolean;
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

export const textNodes = (value: string, marks: readonly MarkJson[]): NodeJson[] => {
  const text = cleaned(value);
  return text === '' ? [] : [withMarks({ type: 'text', text }, marks)];
};

type Handler<T extends PhrasingContent['type']> = (
  node: Extract<PhrasingContent, { type: T }>,
  place: Place,
) => NodeJson[];

const marked =
  (type: string): Handler<'emphasis' | 'strong' | 'delete'> =>
  (node, { marks, ...place }) =>
    readNodes(node.children, { ...place, marks: [...marks, { type }] });

/** The title of a link, which is shown nowhere here, as words behind it. */
const titleWords = (title: string | null | undefined, { marks }: Place): NodeJson[] =>
  title ? textNodes(` (${broughtBack(title)})`, marks) : [];

/** An address that may be that of another page of the folder: a heading here, a file, or one named without its ending. */
const IN_FOLDER = /^(?:(?!\/\/)[^#?]*(?:\.(?:md|markdown|x?html?|txt|text)|(?:^|\/)[^/.#?]+|\/))?(?:#.*)?$/iu;

/** An address that may be that of another sort of file in the folder. */
const FILE_ALONG = /^(?!\/\/|[a-z][a-z\d+.-]*:)[^#?]*\.[\p{L}\d]{1,12}$/iu;

/** The same for what is pasted: what a folder has is not known, and an address is that of the web. */
const MARKDOWN_FILE = /(?:\.(?:md|markdown)|^)(?:#.*)?$/iu;

function readLink(url: string, children: readonly PhrasingContent[], { marks, context }: Place): NodeJson[] {
  const address = broughtBack(url);
  const words = plain(children);
  const block = /(?:^#|\.(?:md|markdown)#|^\/(?:to|b|p|n)\/)([0-9a-f-]{36})$/iu.exec(address);
  if (block && isId(block[1])) {
    return [referenceNode({ form: 'block', name: block[1].toLowerCase() }, words || null, marks)];
  }
  const isOutside = /^[a-z][a-z0-9+.-]*:/iu.test(address);
  const inFolder = context.isFile ? IN_FOLDER : MARKDOWN_FILE;
  if (address !== '' && !isOutside && inFolder.test(decoded(address))) {
    return [referenceNode({ form: 'path', name: decoded(address) }, words || null, marks)];
  }
  if (context.isFile && FILE_ALONG.test(decoded(address))) {
    const named = { address: decoded(address), written: cleaned(` (${address})`) };
    return [...readNodes(children, { marks, context, isInLink: true }), fileReference(named, marks)];
  }
  if (isSafeAddress(address)) {
    const link = { type: 'webLink', attrs: { href: address } };
    return readNodes(children, { marks: [...marks, link], context, isInLink: true });
  }
  // A page can't lead there; the words keep saying where they led: `[plan](plan.pdf)`, `[scan](file:///scan.pdf)`.
  context.remark(`The link to ${address.slice(0, 80)}.`);
  if (address === '' || /^(?:javascript|vbscript|data):/iu.test(address))
    return readNodes(children, { marks, context, isInLink: true });
  return [...readNodes(children, { marks, context, isInLink: true }), ...textNodes(` (${address})`, marks)];
}

/** One small reader for each kind of inline node. */
const HANDLERS: { [T in PhrasingContent['type']]?: Handler<T> } = {
  text: (node, { marks, isInLink }) => readText(onOneLine(node.value), marks, isInLink),
  emphasis: marked('italic') as Handler<'emphasis'>,
  strong: marked('bold') as Handler<'strong'>,
  delete: marked('strike') as Handler<'delete'>,
  inlineCode: (node, { marks }) => textNodes(asWritten(node.value), [...marks, { type: 'code' }]),
  break: () => [{ type: 'hardBreak' }],
  link: (node, place) => [...readLink(node.url, node.children, place), ...titleWords(node.title, place)],
  linkReference: (node, place) => {
    const definition = place.context.definitions.get(node.identifier);
    if (!definition) return readNodes(node.children, place);
    place.context.used.add(node.identifier);
    return [...readLink(definition.url, node.children, place), ...titleWords(definition.title, place)];
  },
  image: (node, place) => readImage(node.url, node.alt ?? '', node.title, place),
  imageReference: (node, place) => {
    const definition = place.context.definitions.get(node.identifier);
    place.context.used.add(node.identifier);
    return readImage(definition?.url ?? '', node.alt ?? '', definition?.title, place);
  },
  footnoteReference: (node, { marks, context }) => {
    context.remark(`The footnote ${node.identifier}.`);
    return textNodes(`[^${node.label ?? node.identifier}]`, marks);
  },
};

/** A picture within a line can't be shown there: a web address stays reachable as a link, anything else as text. */
function readImage(url: string, alt: string, title: string | null | undefined, place: Place): NodeJson[] {
  const { marks, context } = place;
  const address = broughtBack(url);
  const shown = broughtBack(alt);
  if (context.isFile && FILE_ALONG.test(decoded(address))) {
    const caption = title ? broughtBack(title) : '';
    const written = cleaned(`![${shown}](${address})${caption ? ` (${caption})` : ''}`);
    const named = { address: decoded(address), written, alt: cleaned(shown), caption: cleaned(caption) };
    return [fileReference(named, marks)];
  }
  context.remark(`The picture ${address.slice(0, 80)}.`);
  const isWeb = isSafeAddress(address) && !address.startsWith('/');
  const link = { type: 'webLink', attrs: { href: address } };
  const words = isWeb ? textNodes(shown || address, [...marks, link]) : textNodes(`![${shown}](${address})`, marks);
  return [...words, ...titleWords(title, place)];
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
  if (own && isTagName(decoded(own[1]!)))
    return [withMarks({ type: 'tag', attrs: { name: decoded(own[1]!) } }, place.marks)];
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

function readNodes(nodes: readonly PhrasingContent[], { marks, context, isInLink }: Place): NodeJson[] {
  const place: Place = { marks, context, isInLink };
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

const plain = (nodes: readonly PhrasingContent[]): string => onOneLine(plainLines(nodes));

const plainLines = (nodes: readonly PhrasingContent[]): string =>
  nodes
    .map((node) => {
      if (node.type === 'inlineCode') return asWritten(node.value);
      if (node.type === 'html') return '';
      if (node.type === 'break') return ' ';
      if ('alt' in node) return broughtBack(node.alt ?? '');
      return 'value' in node ? broughtBack(node.value) : 'children' in node ? plainLines(node.children) : '';
    })
    .join('');

function decoded(url: string): string {
  try {
    return decodeURIComponent(url);
  } catch {
    return url;
  }
}

/** Lines joined by single spaces. */
const onOneLine = (value: string): string => {
  if (!value.includes('\n')) return value;
  const lines = value.split('\n');
  const last = lines.length - 1;
  return lines
    .map((line, index) => (index === 0 ? line.trimEnd() : index === last ? line.trimStart() : line.trim()))
    .join(' ');
};

/** Two square brackets, the name, and words of its own after a bar; ==highlighted words==; and #tags. */
const HIGHLIGHTED = '==([^=\\s](?:[^=]*[^=\\s])?)==';
const SPECIAL = new RegExp(
  `${HIGHLIGHTED}|\\[\\[([^\\[\\]|]{1,2000})(?:\\|([^\\[\\]]{1,2000}))?\\]\\]|(?<=^|[\\s(])${TAG_PATTERN.source}`,
  'gu',
);
/** Within a link there can be neither another link nor a tag. */
const SPECIAL_IN_LINK = new RegExp(HIGHLIGHTED, 'gu');

/** Finds in running text what Markdown itself does not know. */
function readText(value: string, marks: MarkJson[], isInLink = false): NodeJson[] {
  const nodes: NodeJson[] = [];
  let end = 0;
  for (const match of value.matchAll(isInLink ? SPECIAL_IN_LINK : SPECIAL)) {
    nodes.push(...textNodes(broughtBack(value.slice(end, match.index)), marks));
    const [whole, highlighted, name, words, tag] = match;
    if (name !== undefined) {
      const own = words?.trim() ? broughtBack(words.trim()) : null;
      nodes.push(referenceNode({ form: 'wiki', name: broughtBack(name.trim()) }, own, marks));
    } else if (highlighted !== undefined) {
      nodes.push(...readText(highlighted, [...marks, { type: 'highlight', attrs: { pigment: 'ochre' } }], isInLink));
    } else nodes.push(withMarks({ type: 'tag', attrs: { name: tag } }, marks));
    end = match.index + whole.length;
  }
  return [...nodes, ...textNodes(broughtBack(value.slice(end)), marks)];
}
