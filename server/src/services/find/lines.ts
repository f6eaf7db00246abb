import { bestStretches } from '@glossarion/core/find/files';
import { countOf, fitting, joinedFit, HOW, isToken, weightOf, type Fit, type WantedWord } from '@glossarion/core/find';
import { spacedWords } from '@glossarion/core/words';
import type { ViewerConnection } from '../../access';
import { heldByLines } from '../foundWords';
import type { KnownLines, LinesToFind } from './linesToFind';

/** The most lines of a page that are shown. */
export const LINES_SHOWN = 3;

/** A line that holds some of what is looked for. */
export interface FittingLine {
  id: string;
  fit: Fit;
  /** The name of the file it shows, where that or what is written in it is what fits. */
  file?: string;
  /** The stretches of what is written in the file that fit. */
  stretches?: () => string[];
}

/** How the lines of a document fit: the best of them, and all of them together. */
export interface FittingLines {
  lines: FittingLine[];
  all: Fit | null;
}

/** What no line holds anything of. */
export const NO_LINES: FittingLines = { lines: [], all: null };

const NONE: ReadonlySet<string> = new Set();
const NO_WORDS = spacedWords('');
const NO_TOKENS: ReadonlyMap<string, ReadonlySet<string>> = new Map();

/** By line, those of the tokens it holds that are looked for. */
function tokensBy(held: KnownLines['held'], named: ReadonlySet<string>): ReadonlyMap<string, ReadonlySet<string>> {
  if (named.size === 0) return NO_TOKENS;
  const tokens = new Map<string, Set<string>>();
  for (const { blockId, token } of held) {
    if (!named.has(token)) continue;
    const own = tokens.get(blockId);
    if (own) own.add(token);
    else tokens.set(blockId, new Set([token]));
  }
  return tokens;
}

/**
 * Makes ready what is looked for, to be held against the lines of many documents. What it gives takes a document's id, and
 * gives the lines that hold what is looked for, the one that holds most first. Of a document that is not found by what is written in its files, these are not read.
 *
 * @param filtered the tokens of tags and links by which documents were chosen: lines that hold one are shown too
 */
export function fittingLines(
  connection: ViewerConnection,
  toFind: LinesToFind,
  wanted: readonly WantedWord[],
  filtered: ReadonlySet<string>,
): (documentId: string, isInFiles?: boolean) => FittingLines {
  const named = new Set(filtered);
  for (const { readings } of wanted) {
    for (const reading of readings) if (isToken(reading)) named.add(reading.terms[0]!);
  }
  const fitOf = fitting(wanted);
  return (documentId, isInFiles = true) => {
    const { lines, held } = toFind.of(connection, documentId);
    const fits = fitsOf(lines, tokensBy(held, named), wanted.length, fitOf, filtered);
    const all = joinedFit(
      fits.map(({ fit }) => fit),
      HOW,
    );
    if (fits.length > 0 && !all.includes(null)) return { lines: bestOf(fits), all };
    if (wanted.length === 0) return NO_LINES;
    fits.push(...filesThatFit(connection, documentId, isInFiles, wanted, fitOf));
    return {
      lines: bestOf(fits),
      all:
        fits.length > 0
          ? joinedFit(
              fits.map(({ fit }) => fit),
              HOW,
            )
          : null,
    };
  };
}

type Weighed = FittingLine & { weight: number };
type FitOf = ReturnType<typeof fitting>;

/** Lines of a document that hold any of so many words, or by which it was chosen, in their order. */
function fitsOf(
  lines: KnownLines['lines'],
  tokens: ReadonlyMap<string, ReadonlySet<string>>,
  wanted: number,
  fitOf: FitOf,
  filtered: ReadonlySet<string>,
): Weighed[] {
  const fits: Weighed[] = [];
  let whole = 0;
  for (const { id, words } of lines) {
    const own = tokens.get(id) ?? NONE;
    if (words === NO_WORDS && own.size === 0) continue;
    const fit = fitOf(words, own);
    const count = countOf(fit);
    const isFiltered = filtered.size > 0 && [...own].some((token) => filtered.has(token));
    if (count === 0 && !isFiltered) continue;
    // All words in one line are worth more than any part of them.
    const weight = weightOf(fit) + (count === wanted ? wanted : 0) + (isFiltered ? 1 : 0);
    fits.push({ id, fit, weight });
    const isBest = fit.every((how) => how === 'exact') && (filtered.size === 0 || isFiltered);
    if (isBest && (whole += 1) >= LINES_SHOWN) break;
  }
  return fits;
}

/** Lines that show files whose names, or what is written in them, hold what is looked for. */
function filesThatFit(
  connection: ViewerConnection,
  documentId: string,
  isInFiles: boolean,
  wanted: readonly WantedWord[],
  fitOf: FitOf,
): Weighed[] {
  const fits: Weighed[] = [];
  for (const { blockId, held: file, what, text, words } of heldByLines(connection.raw, documentId, isInFiles)) {
    if (what !== 'file') continue;
    const [named, written] = [fitOf(spacedWords(file)), fitOf(words ?? '')];
    const fit = joinedFit([named, written], HOW);
    const isWritten = text && words && countOf(written) > 0;
    const stretches = isWritten ? { stretches: () => bestStretches({ text, words }, wanted) } : {};
    if (countOf(fit) > 0) fits.push({ id: blockId, fit, file, ...stretches, weight: weightOf(fit) });
  }
  return fits;
}

/** The lines that are shown; one that holds less than the best adds nothing where that holds all. */
function bestOf(fits: readonly Weighed[]): FittingLine[] {
  const best = [...fits].sort((one, other) => other.weight - one.weight).slice(0, LINES_SHOWN);
  return best.filter(({ fit }) => countOf(fit) === countOf(best[0]!.fit));
}
