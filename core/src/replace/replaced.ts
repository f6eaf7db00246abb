import { shownWords } from '../document/text';
import type { NodeJson } from '../document/types';
import type { MarkedPiece } from '../find/marked';
import type { Match, Matcher } from './matcher';

/** A node of a body before and after. */
export interface Replaced {
  node: NodeJson;
  before: MarkedPiece[];
  after: MarkedPiece[];
}

/** Stands in a text for what is no text: a link, a tag, a new line. Nothing that goes over one is replaced. */
const ATOM = '\uFFFC';

/**
 * A node with what a matcher finds in its texts replaced, code and the cells of tables among them; null when nothing is.
 * Ids, links, tags and styles stay: what stands in the place of words has the style in which they began.
 *
 * @param titleOf what a link or a tag shows
 */
export function replacedIn(node: NodeJson, matcher: Matcher, titleOf: (id: string) => string): Replaced | null {
  const before: MarkedPiece[] = [];
  const after: MarkedPiece[] = [];
  const walk = (each: NodeJson): NodeJson => {
    const { content } = each;
    if (!content) return each;
    if (!content.some(isInline)) {
      const next = content.map(walk);
      return next.every((child, index) => child === content[index]) ? each : { ...each, content: next };
    }
    const text = content.map((child) => (child.type === 'text' ? (child.text ?? '') : ATOM)).join('');
    const matches = matcher(text).filter(
      ({ start, end, by }) => !text.slice(start, end).includes(ATOM) && text.slice(start, end) !== by,
    );
    if (before.length > 0) for (const pieces of [before, after]) pieces.push({ text: ' · ', isMarked: false });
    const shown = (child: NodeJson) => (child.type === 'hardBreak' ? ' ' : shownWords(child, titleOf));
    before.push(...piecesOf(content, matches, shown, (match) => text.slice(match.start, match.end)));
    after.push(...piecesOf(content, matches, shown, ({ by }) => by));
    return matches.length === 0 ? each : { ...each, content: withReplaced(content, matches) };
  };
  const next = walk(node);
  return next === node ? null : { node: next, before, after };
}

const isInline = ({ type }: NodeJson): boolean => ['text', 'hardBreak', 'pageLink', 'tag'].includes(type);

const sizeOf = (node: NodeJson): number => (node.type === 'text' ? (node.text ?? '').length : 1);

/** The inline content with what was found replaced. */
function withReplaced(content: readonly NodeJson[], matches: readonly Match[]): NodeJson[] {
  const replaced: NodeJson[] = [];
  let at = 0;
  for (const node of content) {
    const end = at + sizeOf(node);
    if (node.type !== 'text') replaced.push(node);
    else {
      const text = partsOf(at, end, matches)
        .map((part) =>
          'match' in part ? (part.begins ? part.match.by : '') : node.text!.slice(part.from - at, part.to - at),
        )
        .join('');
      if (text !== '') replaced.push({ ...node, text });
    }
    at = end;
  }
  return replaced;
}

type Part = { from: number; to: number } | { match: Match; begins: boolean };

/** A stretch of a text as parts that stay and parts that were found; whether what was found begins in it. */
function partsOf(from: number, to: number, matches: readonly Match[]): Part[] {
  const parts: Part[] = [];
  let at = from;
  for (const match of matches) {
    // One without letters stands where it begins.
    const isWithin = match.start < to && (match.end > from || match.start >= from);
    if (!isWithin) continue;
    if (match.start > at) parts.push({ from: at, to: match.start });
    parts.push({ match, begins: match.start >= from });
    at = Math.max(at, Math.min(match.end, to));
  }
  if (at < to) parts.push({ from: at, to });
  return parts;
}

function piecesOf(
  content: readonly NodeJson[],
  matches: readonly Match[],
  shown: (node: NodeJson) => string,
  wordsOf: (match: Match) => string,
): MarkedPiece[] {
  const pieces: MarkedPiece[] = [];
  let at = 0;
  for (const node of content) {
    const end = at + sizeOf(node);
    if (node.type !== 'text') pieces.push({ text: shown(node), isMarked: false });
    else {
      for (const part of partsOf(at, end, matches)) {
        if (!('match' in part)) pieces.push({ text: node.text!.slice(part.from - at, part.to - at), isMarked: false });
        else if (part.begins) pieces.push({ text: wordsOf(part.match), isMarked: true });
      }
    }
    at = end;
  }
  return pieces.filter(({ text }) => text !== '');
}
