import { foldWords } from '../words/words';

/**
 * A text as names are looked for in it: words, and single characters of scripts that are written without spaces. Made
 * for speed: every text of an account goes through here, so that ordinary words are found by a table of character
 * classes, and each different word is folded once.
 */
export interface Token {
  /** Folded: case, accents and width make no difference. */
  word: string;
  /** In UTF-16 units of the text as written. */
  start: number;
  end: number;
  /** One character of a script without spaces. */
  isUnspaced: boolean;
}

const OTHER = 0;
const WORD = 1;
const UNSPACED = 2;

const WORD_CHARACTER = /[\p{L}\p{N}\p{M}]/u;
/** By script extensions, since the mark that lengthens a vowel belongs to both kana. */
const UNSPACED_CHARACTER =
  /(?=[\p{L}\p{N}\p{M}])[\p{scx=Han}\p{scx=Hira}\p{scx=Kana}\p{scx=Thai}\p{scx=Lao}\p{scx=Khmer}\p{scx=Mymr}]/u;

const classOf = (character: string): number =>
  !WORD_CHARACTER.test(character) ? OTHER : UNSPACED_CHARACTER.test(character) ? UNSPACED : WORD;

/** The class of each UTF-16 unit; characters beyond the first plane are asked for one by one. */
const CLASSES = Uint8Array.from({ length: 0x10000 }, (_none, unit) => classOf(String.fromCharCode(unit)));

const isHighSurrogate = (unit: number): boolean => unit >= 0xd800 && unit < 0xdc00;
/** Voicing marks of narrow kana, which belong to the character before them. */
const isNarrowVoicing = (unit: number): boolean => unit === 0xff9e || unit === 0xff9f;

const KNOWN_WORDS = 200_000;
const folded = new Map<string, string>();

/** Folds a word, from memory if it was met before. */
export function foldedWord(written: string): string {
  let word = folded.get(written);
  if (word === undefined) {
    word = foldWords(written);
    if (folded.size >= KNOWN_WORDS) folded.clear();
    folded.set(written, word);
  }
  return word;
}

/** Where the next token begins at or after a place, and where it ends; the text's length when there is none. */
export interface Reach {
  start: number;
  end: number;
  isUnspaced: boolean;
}

/** Steps from token to token without making anything anew: `reach` is written to. */
export function nextToken(text: string, from: number, reach: Reach): boolean {
  const { length } = text;
  let at = from;
  while (at < length) {
    const unit = text.charCodeAt(at);
    const wide = isHighSurrogate(unit) && at + 1 < length;
    const kind = wide ? classOf(text.slice(at, at + 2)) : CLASSES[unit]!;
    const next = at + (wide ? 2 : 1);
    if (kind === UNSPACED) {
      reach.start = at;
      reach.end = isNarrowVoicing(text.charCodeAt(next)) ? next + 1 : next;
      reach.isUnspaced = true;
      return true;
    }
    if (kind === WORD) {
      reach.start = at;
      reach.isUnspaced = false;
      at = next;
      while (at < length) {
        const following = text.charCodeAt(at);
        const isWide = isHighSurrogate(following) && at + 1 < length;
        if ((isWide ? classOf(text.slice(at, at + 2)) : CLASSES[following]!) !== WORD) break;
        at += isWide ? 2 : 1;
      }
      reach.end = at;
      return true;
    }
    at = next;
  }
  return false;
}

export function tokensOf(text: string): Token[] {
  const tokens: Token[] = [];
  const reach: Reach = { start: 0, end: 0, isUnspaced: false };
  for (let at = 0; nextToken(text, at, reach); at = reach.end) {
    const { start, end, isUnspaced } = reach;
    const word = foldedWord(text.slice(start, end));
    if (word !== '') tokens.push({ word, start, end, isUnspaced });
  }
  return tokens;
}

/** What stands between two words of a name: nothing at all, only spaces and hyphens, or marks that tell names apart. */
export const ADJACENT = '\u0000';
const PLAIN_GAP = /^[ \t\u00A0\u2007\u202F'’‘\-\u2010\u2011]+$/u;
const PLAIN = /[ \t\u00A0\u2007\u202F'’‘\-\u2010\u2011]/gu;
const LONGEST_GAP = 8;

/** The gap between two tokens as it is compared; null when nothing that is one name goes over it. */
export function gapBetween(text: string, start: number, end: number): string | null {
  if (start === end) return ADJACENT;
  if (end - start === 1 && text.charCodeAt(start) === 0x20) return '';
  if (end - start > LONGEST_GAP) return null;
  const written = text.slice(start, end);
  if (PLAIN_GAP.test(written)) return '';
  return /[\n\r\uFFFC]/u.test(written) ? null : written.replace(PLAIN, '');
}
