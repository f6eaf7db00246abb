import type { PhrasingContent } from 'mdast';
import { defaultHandlers, type Handle, type Info } from 'mdast-util-to-markdown';

/**
 * Most of what is written holds no sign with a meaning: looking for each pattern of such signs in it would take most of
 * the time that writing a page takes. What is plain is written as it is, the rest by the library.
 */

/** Signs that Markdown gives no meaning wherever they stand within a line; a full stop where it can't be one of an address. */
const MEANINGLESS = /^(?:[\p{L}\p{M}\p{N} ,;“”‘’'–—…?%£€()/-]|(?<![Ww])\.(?!\S))*$/u;
const LINE_END = /[\r\n]/u;
/** An address that is written as it is, and is none of the web's. */
const PLAIN_URL = /^[\w./#%-]+$/u;

const isEdge = (text: string): boolean => text === '' || LINE_END.test(text);

/**
 * Whether a text is written as it is, whatever stands around it: what a line of one would begin with begins none here, and
 * no space is at the edge of a line, where it would be lost.
 */
function isPlain(text: string, { before, after }: Pick<Info, 'before' | 'after'>): boolean {
  if (!MEANINGLESS.test(text)) return false;
  if (isEdge(before) && !/^\p{L}/u.test(text)) return false;
  if (before.endsWith(']') && text.startsWith('(')) return false;
  return !(text.endsWith(' ') && isEdge(after));
}

/** Writes the text of a line. */
export const writeText: Handle & { peek: Handle } = Object.assign(
  (...[{ value }, , state, info]: Parameters<Handle>): string =>
    isPlain(value, info) ? value : state.safe(value, info),
  {
    // What it begins with, by which what stands before it is written.
    peek: (...[{ value }, , state, info]: Parameters<Handle>): string =>
      /^[\p{L} ,;]/u.test(value) ? value : state.safe(value, info),
  },
);

/** What is Markdown already; plain words; a link of plain words. Null for all else. */
function plainPart(node: PhrasingContent, around: Pick<Info, 'before' | 'after'>): string | null {
  switch (node.type as string) {
    case 'raw':
      return (node as unknown as { value: string }).value;
    case 'text': {
      const { value } = node as { value: string };
      return isPlain(value, around) ? value : null;
    }
    case 'link': {
      const { url, children } = node as { url: string; children: PhrasingContent[] };
      const [only] = children;
      if (children.length !== 1 || only!.type !== 'text' || !PLAIN_URL.test(url)) return null;
      return isPlain(only.value, { before: '[', after: ']' }) ? `[${only.value}](${url})` : null;
    }
    default:
      return null;
  }
}

const firstOf = (node: PhrasingContent): string =>
  node.type === 'link' ? '[' : ((node as { value?: string }).value ?? '').slice(0, 1);

/** A line of nothing but plain parts; null when it has any other. */
function plainLine(children: readonly PhrasingContent[], { before, after }: Info): string | null {
  let line = '';
  for (const [index, node] of children.entries()) {
    const next = children[index + 1];
    const part = plainPart(node, { before: line.at(-1) ?? before, after: next ? firstOf(next) : after });
    if (part === null) return null;
    line += part;
  }
  return line;
}

/** Writes a line. */
export const writeParagraph: Handle = (node: { children: PhrasingContent[] }, parent, state, info) =>
  plainLine(node.children, info) ?? defaultHandlers.paragraph(node as never, parent, state, info);
