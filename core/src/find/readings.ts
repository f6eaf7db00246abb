import type { Vocabulary } from './vocabulary';
import { slipsForgiven } from './vocabulary';

/** How what is found stands for what was typed, the surest first. */
export const HOW = ['exact', 'named', 'form', 'spelling', 'begun', 'slip'] as const;
export type How = (typeof HOW)[number];

/** What stands for a word that is looked for: folded words that follow one another, or one token of the index. */
export interface Reading {
  how: How;
  terms: readonly string[];
  /** Anything that begins like its last term. */
  isBeginning: boolean;
}

/** Whether it is what a word names, by its token: no word begins with a character of private use. */
export const isToken = ({ terms: [term] }: Reading): boolean => {
  const first = term!.charCodeAt(0);
  return first >= 0xe000 && first <= 0xf8ff;
};

/** What is known of the words of somebody's notes. */
export interface KnownWords {
  vocabulary: Vocabulary;
  /** The other forms of a folded word that the notes hold, in the languages they are written in. */
  formsOf: (word: string) => readonly string[];
  /** The tokens of what a word names: tags, kinds, pages that lines link to. */
  namedBy: (word: string, isBeginning: boolean) => readonly string[];
}

/** The most readings of one sort. */
const MOST = 8;
/** From so many letters on a word may be two that were written as one. */
const PARTED = 4;
/** How umlauts are written where there are none: Muehle. */
const UMLAUTS = /(?<=[aou])e(?!u)/gu;

/** For what words stand: as they were typed, for what they name too, or for all that is known. */
export type Width = 'typed' | 'named' | 'all';

/** The most that a word is taken to name where it stands for little else. */
const NAMED = 8;

/** Of so many words what they stand for is kept, as long as what is known is the same. */
const WORDS_KEPT = 5_000;
const kept = new WeakMap<KnownWords, Map<string, readonly Reading[]>>();

/** What a folded word stands for, slips aside. Each letter that is typed asks for the words before it again. */
export function readingsOf(
  word: string,
  isBeginning: boolean,
  known: KnownWords,
  width: Width = 'all',
): readonly Reading[] {
  if (width === 'typed') return [{ how: 'exact', terms: [word], isBeginning }];
  let words = kept.get(known);
  if (!words || words.size >= WORDS_KEPT) kept.set(known, (words = new Map()));
  const key = `${width} ${word}${isBeginning ? '*' : ''}`;
  let readings = words.get(key);
  if (!readings) words.set(key, (readings = readingsFrom(word, isBeginning, known, width)));
  return readings;
}

function readingsFrom(word: string, isBeginning: boolean, known: KnownWords, width: 'named' | 'all'): Reading[] {
  const exact: Reading = { how: 'exact', terms: [word], isBeginning };
  const named = known.namedBy(word, isBeginning).map((token) => whole('named', token));
  if (width === 'named') return [exact, ...named.slice(0, NAMED)];
  const forms = known.formsOf(word).filter((form) => form !== word && !(isBeginning && form.startsWith(word)));
  return [
    exact,
    ...named,
    ...forms.slice(0, MOST).map((form) => whole('form', form)),
    ...namedToo('form', forms, known),
    ...spellingsOf(word, isBeginning, known),
  ];
}

/** A word of which no more letters are missing is nearly whole. */
const NEARLY = 2;
/** Of so many words that stand for a typed one it is looked up what they name. */
const NAMING = 3;

/** The tokens of what words name that stand for a typed one. */
const namedToo = (how: How, words: readonly string[], known: KnownWords): Reading[] =>
  words.slice(0, NAMING).flatMap((word) =>
    known
      .namedBy(word, false)
      .slice(0, MOST)
      .map((token) => whole(how, token)),
  );

const whole = (how: How, term: string): Reading => ({ how, terms: [term], isBeginning: false });

/** The same word as others write it: in two words, with a hyphen, a point among its figures, without umlauts. */
function spellingsOf(word: string, isBeginning: boolean, known: KnownWords): Reading[] {
  const { vocabulary } = known;
  const spellings: Reading[] = [];
  const plain = word.replaceAll(UMLAUTS, '');
  if (plain !== word && [plain, ...known.formsOf(plain)].some((each) => vocabulary.linesWith(each) > 0)) {
    spellings.push({ how: 'spelling', terms: [plain], isBeginning });
    spellings.push(
      ...known
        .formsOf(plain)
        .slice(0, MOST)
        .map((form) => whole('spelling', form)),
    );
  }
  return [...spellings, ...partedIn(word, isBeginning, vocabulary).slice(0, MOST)];
}

/** A word as two that the notes hold, the likeliest first: both in many lines. */
function partedIn(word: string, isBeginning: boolean, vocabulary: Vocabulary): Reading[] {
  if (word.length < PARTED) return [];
  const isFigure = /^\p{N}+$/u.test(word);
  const parted: { lines: number; reading: Reading }[] = [];
  for (let at = 1; at < word.length; at += 1) {
    // 1140 is 1,140 and not 11 40.
    if (isFigure && at !== word.length - 3) continue;
    const [first, second] = [word.slice(0, at), word.slice(at)];
    const lines = Math.min(vocabulary.linesWith(first), linesFrom(second, isBeginning, vocabulary));
    if (lines > 0) parted.push({ lines, reading: { how: 'spelling', terms: [first, second], isBeginning } });
  }
  return parted.sort((one, other) => other.lines - one.lines).map(({ reading }) => reading);
}

const linesFrom = (word: string, isBeginning: boolean, vocabulary: Vocabulary): number =>
  isBeginning
    ? vocabulary.beginningWith(word, 1).reduce((most, each) => Math.max(most, vocabulary.linesWith(each)), 0)
    : vocabulary.linesWith(word);

/** Words of the notes that a folded word may have been meant for, the likeliest first. */
export function slipsOf(word: string, isBeginning: boolean, known: KnownWords): Reading[] {
  const forgiven = slipsForgiven(word);
  if (forgiven === 0) return [];
  // Of a word that is still being typed no more is forgiven, unless it is nearly whole.
  const most = (other: string) =>
    isBeginning && other.length > word.length + NEARLY
      ? forgiven
      : Math.max(forgiven, Math.min(slipsForgiven(other), word.length - 4));
  const forgivable = known.vocabulary
    .near(word, 2, isBeginning, MOST * 4)
    .filter((each) => each.slips <= most(each.word));
  // Where words are one slip away, those that are two away were hardly meant.
  const near = forgivable
    .filter(({ slips }) => slips === forgivable[0]!.slips)
    .slice(0, MOST)
    .map((each) => each.word);
  return [...near.map((each) => whole('slip', each)), ...namedToo('slip', near, known)];
}
