import type { Node } from '@tiptap/pm/model';
import type { EditorState } from '@tiptap/pm/state';
import type { WantedWord } from '@glossarion/core/find';
import { linkToken } from '@glossarion/core/links';
import { tagToken } from '@glossarion/core/tags';
import { wordsIn } from '@glossarion/core/words';
import type { PageMatch } from './pageSearch';

/** A word that is looked for, with all that stands for it. */
export type SoughtWord = Pick<WantedWord, 'word' | 'isBeginning' | 'readings'>;

/** One thing of a line that can stand for a word: a word, or a link or tag by the token of what it leads to. */
interface Piece {
  word: string;
  isNamed: boolean;
  from: number;
  to: number;
}

/** What takes the place of links, tags and pictures in the text of a line: no letter. */
const GAP = '\ufffc';

function tokenOf({ type, attrs }: Node): string | null {
  if (type.name === 'pageLink') return linkToken(String(attrs.target));
  return type.name === 'tag' && attrs.tag ? tagToken(String(attrs.tag)) : null;
}

/** The words of a line and what it leads to, in their order; `at` is where its text begins on the page. */
function piecesOf(line: Node, at: number): Piece[] {
  let text = '';
  const named: Piece[] = [];
  line.forEach((child, offset) => {
    text += child.isText ? (child.text ?? '') : GAP.repeat(child.nodeSize);
    const token = tokenOf(child);
    if (token) named.push({ word: token, isNamed: true, from: at + offset, to: at + offset + child.nodeSize });
  });
  const words = wordsIn(text).map(({ word, start, end }) => ({ word, isNamed: false, from: at + start, to: at + end }));
  return [...words, ...named].sort((one, other) => one.from - other.from);
}

/** Where what stands for a word ends that begins with a piece; -1 where none does. */
function endOf(pieces: readonly Piece[], from: number, { readings }: SoughtWord): number {
  for (const { terms, isBeginning } of readings) {
    const isHeld = terms.every((term, index) => {
      const word = pieces[from + index]?.word;
      return word !== undefined && (isBeginning && index === terms.length - 1 ? word.startsWith(term) : word === term);
    });
    if (isHeld) return from + terms.length;
  }
  return -1;
}

/** Where all words that are looked for end that begin with a piece, one after the other; -1 where they do not. */
function runFrom(pieces: readonly Piece[], from: number, sought: readonly SoughtWord[]): number {
  let at = from;
  for (const [index, word] of sought.entries()) {
    // A link shows several words at once.
    const before = pieces[at - 1];
    if (index > 0 && before?.isNamed && endOf([before], 0, word) === 1) continue;
    at = endOf(pieces, at, word);
    if (at < 0) return -1;
  }
  return at;
}

/**
 * Where words, or what stands for them, stand on a page, one after the other in one line: what Find finds of them there.
 *
 * @param sought at least one word
 */
export function matchesOfWords({ doc }: Pick<EditorState, 'doc'>, sought: readonly SoughtWord[]): PageMatch[] {
  const matches: PageMatch[] = [];
  doc.descendants((node, position) => {
    if (!node.isTextblock) return true;
    const pieces = piecesOf(node, position + 1);
    for (let at = 0; at < pieces.length;) {
      const end = runFrom(pieces, at, sought);
      if (end > at) {
        const [{ from }, { to }] = [pieces[at]!, pieces[end - 1]!];
        matches.push({ from, to, match: null, matchStart: from, isOther: true });
      }
      at = Math.max(at + 1, end);
    }
    return false;
  });
  return matches;
}

/** What was typed as far as nothing is known of it: its own words, folded, the last still being typed. */
export const typedAlone = (typed: string): SoughtWord[] => {
  const words = wordsIn(typed).map(({ word }) => word);
  return words.map((word, index) => {
    const isBeginning = index === words.length - 1 && !/\s$/u.test(typed);
    return { word, isBeginning, readings: [{ how: 'exact', terms: [word], isBeginning }] };
  });
};
