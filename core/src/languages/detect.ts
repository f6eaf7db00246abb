import { isPlain } from '../words';
import { LANGUAGES } from './all';
import type { Language } from './language';
import type { Script } from './names';

/** How much speaks for each language, by its code. */
export type Tally = ReadonlyMap<string, number>;

/** Which languages have a small word, or a letter of their own: one that several share says less of each. */
const sharedBy = (signs: (language: Language) => Iterable<string>): ReadonlyMap<string, readonly Language[]> => {
  const shared = new Map<string, Language[]>();
  for (const language of LANGUAGES) {
    for (const sign of signs(language)) shared.set(sign, [...(shared.get(sign) ?? []), language]);
  }
  return shared;
};
const words = sharedBy(({ small }) => small);
const letters = sharedBy(({ letters: own }) => own);

const SCRIPTS: readonly (readonly [Script, RegExp])[] = (
  ['Latin', 'Greek', 'Cyrillic', 'Arabic', 'Hebrew', 'Devanagari', 'Hangul'] as const
).map((script) => [script, new RegExp(`^\\p{Script=${script}}`, 'u')]);

/** The script that a folded word begins in; nothing where no language of it is known. */
export const scriptOf = (word: string): Script | null => SCRIPTS.find(([, begins]) => begins.test(word))?.[0] ?? null;

/**
 * What a text says of the language it is written in, by its small words and its letters.
 *
 * @param folded the words of the text, folded
 */
export function tallyOf(text: string, folded: readonly string[]): Tally {
  const tally = new Map<string, number>();
  const count = (languages: readonly Language[] = []) => {
    for (const { code } of languages) tally.set(code, (tally.get(code) ?? 0) + 1 / languages.length);
  };
  for (const word of folded) count(words.get(word));
  if (!isPlain(text)) for (const letter of text.toLowerCase().normalize('NFC')) count(letters.get(letter));
  return tally;
}

/** Several tallies as one. */
export function sumOf(tallies: Iterable<Tally>): Tally {
  const sum = new Map<string, number>();
  for (const tally of tallies) for (const [code, count] of tally) sum.set(code, (sum.get(code) ?? 0) + count);
  return sum;
}

/** What the text around a line says counts as so much of a word of its own. */
const AROUND = 0.75;

/** The language that most of a text speaks for, by script; scripts of which nothing speaks for any are left out. */
export type Leading = ReadonlyMap<Script, Language>;

/**
 * The languages that somebody writes in a script, of which words of it can be.
 *
 * @param written codes of the languages that somebody writes, the first one first; all that are known when there are none
 */
function candidatesIn(script: Script, written: readonly string[]): readonly Language[] {
  const known = byScript.get(script) ?? [];
  const chosen = written.flatMap((code) => known.find((language) => language.code === code) ?? []);
  return chosen.length > 0 ? chosen : known;
}

const byScript = new Map(
  SCRIPTS.map(([script]) => [script, LANGUAGES.filter((language) => language.script === script)]),
);

export function leadingIn(text: Tally, written: readonly string[]): Leading {
  const leading = new Map<Script, Language>();
  for (const [script] of SCRIPTS) {
    const language = most(candidatesIn(script, written), (code) => text.get(code) ?? 0);
    if (language && text.has(language.code)) leading.set(script, language);
  }
  return leading;
}

/**
 * The language of the words of a script that stand in a line: the one that most small words of the line speak for, and
 * where they do not tell, that of the text around it, and then the first of the languages that somebody writes.
 */
export function languageOfLine(script: Script, line: Tally, around: Leading, written: readonly string[]): Language {
  const leading = around.get(script)?.code;
  return most(candidatesIn(script, written), (code) => (line.get(code) ?? 0) + (leading === code ? AROUND : 0))!;
}

/** The language of a word that stands in a line of a text; nothing when the forms of no language in its script are known. */
export function languageOfWord(word: string, line: Tally, text: Tally, written: readonly string[]): Language | null {
  const script = scriptOf(word);
  return script && languageOfLine(script, line, leadingIn(text, written), written);
}

/** The first of those for which most speaks. */
function most(languages: readonly Language[], weightOf: (code: string) => number): Language | null {
  let [best, weight] = [languages[0] ?? null, -1];
  for (const language of languages) {
    const own = weightOf(language.code);
    if (own > weight) [best, weight] = [language, own];
  }
  return best;
}
