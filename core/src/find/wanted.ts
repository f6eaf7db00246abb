import { wordsIn } from '../words';
import type { Asked, AskedFilter } from './query/asked';
import { readingsOf, type KnownWords, type Reading, type Width } from './readings';

/** A word that is looked for, with all that stands for it. */
export interface WantedWord {
  is: 'word';
  word: string;
  isBeginning: boolean;
  readings: readonly Reading[];
}

/** What is looked for: the words of a query taken apart as the index has them, each with what stands for it. */
export type Wanted = WantedWord | WantedFilter | WantedNot | WantedTogether;

export interface WantedFilter {
  is: 'filter';
  filter: AskedFilter;
}

interface WantedNot {
  is: 'not';
  part: Wanted;
}

interface WantedTogether {
  is: 'all' | 'any';
  parts: readonly Wanted[];
}

export const isWantedTogether = (wanted: Wanted): wanted is WantedTogether =>
  wanted.is === 'all' || wanted.is === 'any';

/**
 * What a query looks for; nothing when no word and no filter is left of it.
 *
 * @param width for what words stand; what has to be missing stands for itself and what it names alone
 */
export function wantedOf(asked: Asked | null, known: KnownWords, width: Width = 'all'): Wanted | null {
  if (asked === null) return null;
  switch (asked.is) {
    case 'filter':
      return { is: 'filter', filter: asked };
    case 'phrase':
      return phrase(asked.text, asked.isBeginning);
    case 'word':
      return together('all', words([asked], known, width));
    case 'not': {
      const part = wantedOf(asked.part, known, 'named');
      return part && { is: 'not', part };
    }
    case 'any':
      return together(
        'any',
        asked.parts.flatMap((part) => wantedOf(part, known, width) ?? []),
      );
    case 'all': {
      const parts: Wanted[] = [];
      // Words that stand beside each other may be one that was written as two.
      for (let at = 0; at < asked.parts.length;) {
        const run = wordsFrom(asked.parts, at);
        const other = run.length === 0 ? wantedOf(asked.parts[at]!, known, width) : null;
        parts.push(...words(run, known, width), ...(other ? [other] : []));
        at += Math.max(1, run.length);
      }
      return together(
        'all',
        parts.flatMap((part) => (part.is === 'all' ? part.parts : [part])),
      );
    }
  }
}

type TypedWord = Pick<Extract<Asked, { is: 'word' }>, 'text' | 'isBeginning'>;

/** The words that stand side by side from a place on. */
function wordsFrom(parts: readonly Asked[], from: number): TypedWord[] {
  const run: TypedWord[] = [];
  for (let at = from; at < parts.length; at += 1) {
    const part = parts[at]!;
    if (part.is !== 'word') break;
    run.push(part);
  }
  return run;
}

/** Words that stand side by side, each as itself, as what stands for it, or as a part of what is written as one word. */
function words(run: readonly TypedWord[], known: KnownWords, width: Width): WantedWord[] {
  const typed = run.flatMap(({ text, isBeginning }) => {
    const own = wordsIn(text).map(({ word }) => word);
    return own.map((word, index) => ({ word, isBeginning: isBeginning && index === own.length - 1 }));
  });
  return typed.map(({ word, isBeginning }, index) => {
    const own = readingsOf(word, isBeginning, known, width);
    if (width !== 'all') return { is: 'word', word, isBeginning, readings: own };
    const [before, next] = [typed[index - 1], typed[index + 1]];
    const joined: Reading[] = [];
    if (before) joined.push({ how: 'spelling', terms: [before.word + word], isBeginning });
    if (next) joined.push({ how: 'spelling', terms: [word + next.word], isBeginning: next.isBeginning });
    const isKnown = ({ terms: [term], isBeginning: begins }: Reading) =>
      begins ? known.vocabulary.beginningWith(term!, 1).length > 0 : known.vocabulary.linesWith(term!) > 0;
    return {
      is: 'word',
      word,
      isBeginning,
      readings: [...own, ...joined.filter(isKnown)],
    };
  });
}

/** Words in their order, as one. */
function phrase(text: string, isBeginning: boolean): WantedWord | null {
  const terms = wordsIn(text).map(({ word }) => word);
  if (terms.length === 0) return null;
  return { is: 'word', word: terms.join(' '), isBeginning, readings: [{ how: 'exact', terms, isBeginning }] };
}

function together(is: 'all' | 'any', parts: readonly Wanted[]): Wanted | null {
  if (parts.length > 1) return { is, parts };
  return parts[0] ?? null;
}

/** The words that are looked for, those that nothing may hold left out, in the order of the line. */
export function wantedWords(wanted: Wanted | null): WantedWord[] {
  if (wanted === null || wanted.is === 'not' || wanted.is === 'filter') return [];
  return isWantedTogether(wanted) ? wanted.parts.flatMap(wantedWords) : [wanted];
}
