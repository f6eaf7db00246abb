import {
  languageOfLine,
  leadingIn,
  scriptOf,
  sumOf,
  tallyOf,
  type Language,
  type Leading,
  type Script,
  type Tally,
} from '../../languages';
import { wordsIn } from '../../words';

/** The words of a line as they are counted. */
export interface LineWords {
  /** Each folded word once, with how it is written in lower case. */
  words: ReadonlyMap<string, string>;
  /** What the line says of its language. */
  tally: Tally;
}

/** A word as a vocabulary knows it: folded, with the language and the stem that it has in a line; both may be empty. */
export interface CountedWord {
  word: string;
  language: string;
  stem: string;
}

/** By how much the number of lines that hold a word changes. */
export interface CountChange extends CountedWord {
  lines: number;
}

/** The words of a line of text, title or name. */
export function lineWords(text: string): LineWords {
  const found = wordsIn(text);
  const words = new Map<string, string>();
  for (const { word, start, end } of found) {
    if (!words.has(word)) words.set(word, text.slice(start, end).toLowerCase());
  }
  const folded = found.map(({ word }) => word);
  return { words, tally: tallyOf(text, folded) };
}

/** What all lines of a text say of its languages. */
export const textTally = (lines: readonly LineWords[]): Tally => sumOf(lines.map(({ tally }) => tally));

const isSameLeading = (one: Leading, other: Leading): boolean =>
  one.size === other.size && [...one].every(([script, language]) => other.get(script) === language);

/** Counts how many lines of texts hold each word, and by how much that changes. */
export class WordCounts {
  private counts = new Map<CountedWord, number>();

  /** @param written codes of the languages that somebody writes; none where that is seen by the words alone */
  constructor(private written: readonly string[] = []) {}

  /** How many words there are of which something was counted. */
  get size(): number {
    return this.counts.size;
  }

  /** A title or name, which is a text by itself. */
  title(folded: string, lines: 1 | -1): void {
    const line = lineWords(folded);
    if (line.words.size > 0) this.add([line], leadingIn(line.tally, this.written), lines);
  }

  /** The lines of one text in the place of what it said before. What did not change is the same object in both. */
  text(
    before: readonly LineWords[],
    after: readonly LineWords[],
    tallies = [textTally(before), textTally(after)],
  ): void {
    const [was, is] = tallies.map((text) => leadingIn(text, this.written)) as [Leading, Leading];
    const isAlike = isSameLeading(was, is);
    this.add(isAlike ? without(before, after) : before, was, -1);
    this.add(isAlike ? without(after, before) : after, is, 1);
  }

  private add(lines: readonly LineWords[], around: Leading, by: 1 | -1): void {
    for (const { words, tally } of lines) {
      const languages = new Map<Script, Language>();
      for (const [word, written] of words) {
        const script = scriptOf(word);
        let language: Language | undefined;
        if (script) {
          language = languages.get(script) ?? languageOfLine(script, tally, around, this.written);
          languages.set(script, language);
        }
        const known = countedWord(word, written, language);
        this.counts.set(known, (this.counts.get(known) ?? 0) + by);
      }
    }
  }

  /** The words that other lines hold than before. */
  changes(): CountChange[] {
    const changes: CountChange[] = [];
    for (const [{ word, language, stem }, lines] of this.counts) {
      if (lines !== 0) changes.push({ word, language, stem, lines });
    }
    return changes;
  }
}

const without = (lines: readonly LineWords[], others: readonly LineWords[]): readonly LineWords[] => {
  const left = new Set(others);
  return lines.filter((line) => !left.has(line));
};

/** So many words are kept with their stems. */
const KEPT = 50_000;
/** By language, and by how they are written. */
const asWritten = new Map<Language | undefined, Map<string, CountedWord>>();
/** What is written in several ways may be one word: each is one object. */
const counted = new Map<string, CountedWord>();

/** A word in a line of a language: the same object each time, until too many are kept. */
function countedWord(word: string, written: string, language: Language | undefined): CountedWord {
  let words = asWritten.get(language);
  if (!words) asWritten.set(language, (words = new Map()));
  const known = words.get(written);
  if (known?.word === word) return known;
  if (counted.size >= KEPT) {
    counted.clear();
    asWritten.clear();
    asWritten.set(language, (words = new Map()));
  }
  const code = language?.code ?? '';
  const stem = language?.stem(written) ?? '';
  const key = `${word} ${code} ${stem}`;
  let own = counted.get(key);
  if (!own) counted.set(key, (own = { word, language: code, stem }));
  words.set(written, own);
  return own;
}
