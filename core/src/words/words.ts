/**
 * Prepares words for the index and for queries, once and alike. What is written in any script is folded to a form in
 * which case, accents, width and the shape of a final letter make no difference; scripts written without spaces are
 * cut into words by the rules of Unicode Standard Annex 29, as Intl.Segmenter knows them.
 */

/** Letters that Unicode does not take apart into a base letter and an accent. */
const BASE_LETTERS: Record<string, string> = {
  ł: 'l',
  ø: 'o',
  đ: 'd',
  ð: 'd',
  þ: 'th',
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
  ı: 'i',
  ħ: 'h',
  ŧ: 't',
  ς: 'σ',
  ى: 'ي',
  ة: 'ه',
  ٱ: 'ا',
  ک: 'ك',
  ی: 'ي',
};
const BASE_PATTERN = new RegExp(`[${Object.keys(BASE_LETTERS).join('')}]`, 'gu');
/** Accents and other marks; the voicing marks of kana make other letters and stay. */
const MARKS = /[^\P{M}\u3099\u309A]|\u0640/gu;

/** What is written in one kana is found by the other; both stand in the same order, so far apart. */
const KATAKANA = /[\u30A1-\u30F6\u30FD\u30FE]/gu;
const KANA_APART = 0x60;

/** Text of which only the case has to be folded: most of what is written, and several times as quick. */
const PLAIN = /^[ -~]*$/u;
export const isPlain = (text: string): boolean => PLAIN.test(text);

/** Folds text for comparing. Length may change. */
export const foldWords = (text: string): string =>
  isPlain(text)
    ? text.toLowerCase()
    : text
        .normalize('NFKD')
        .replace(MARKS, '')
        .replace(KATAKANA, (letter) => String.fromCharCode(letter.charCodeAt(0) - KANA_APART))
        .toLowerCase()
        .replace(BASE_PATTERN, (letter) => BASE_LETTERS[letter] ?? letter)
        .normalize('NFC');

const UNSPACED =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}\p{Script=Myanmar}]/u;
const UNSPACED_RUN = new RegExp(`${UNSPACED.source}+`, 'gu');
const WORD = /[\p{L}\p{N}\p{M}]+/gu;

let segmenter: Intl.Segmenter | undefined;
const cut = (run: string): string[] => {
  segmenter ??= new Intl.Segmenter(undefined, { granularity: 'word' });
  return [...segmenter.segment(run)].filter((part) => part.isWordLike).map((part) => part.segment);
};

export interface FoundWord {
  /** Folded. */
  word: string;
  /** Where it stands in the text as written, in UTF-16 units. */
  start: number;
  end: number;
}

/** The words of a text with their places. */
export function wordsIn(text: string): FoundWord[] {
  const found: FoundWord[] = [];
  const hasUnspaced = UNSPACED.test(text);
  for (const match of text.matchAll(WORD)) {
    const start = match.index;
    const run = match[0];
    if (!hasUnspaced || !UNSPACED.test(run)) {
      found.push({ word: foldWords(run), start, end: start + run.length });
      continue;
    }
    let place = 0;
    for (const unspaced of run.matchAll(UNSPACED_RUN)) {
      if (unspaced.index > place) {
        const plain = run.slice(place, unspaced.index);
        found.push({ word: foldWords(plain), start: start + place, end: start + unspaced.index });
      }
      let at = start + unspaced.index;
      for (const piece of cut(unspaced[0])) {
        const from = text.indexOf(piece, at);
        found.push({ word: foldWords(piece), start: from, end: from + piece.length });
        at = from + piece.length;
      }
      place = unspaced.index + unspaced[0].length;
    }
    if (place < run.length)
      found.push({ word: foldWords(run.slice(place)), start: start + place, end: start + run.length });
  }
  return found.filter((each) => each.word !== '');
}

/** Words of text in which only the case has to be folded. */
const PLAIN_WORD = /[a-z\d]+/gu;

/** The form of a text that is given to the index: folded words parted by spaces. */
export const indexedWords = (text: string): string =>
  isPlain(text)
    ? (text.toLowerCase().match(PLAIN_WORD) ?? []).join(' ')
    : wordsIn(text)
        .map((each) => each.word)
        .join(' ');

/** The same with a space before the first word and after the last, so that whole words are seen in it. */
export const spacedWords = (text: string): string => ` ${indexedWords(text)} `;
