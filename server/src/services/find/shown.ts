import { shownWords } from '@glossarion/core/document';
import { markWords, type Finding, type MarkedPiece, type WantedWord } from '@glossarion/core/find';
import type { ViewerConnection } from '../../access';
import type { EntryReader } from '../entries';
import type { LinesToFind } from './linesToFind';
import type { Ranked } from './search';

/** About so many characters of a file are shown. */
const EXCERPT = 180;

/** Cells and lines that were broken, beside each other. */
const inOneLine = (words: string): string => words.trim().replaceAll(/\s*\n\s*/gu, ' · ');

/** What was found as it is shown. */
export function shown(
  connection: ViewerConnection,
  toFind: LinesToFind,
  reader: EntryReader,
  ranked: readonly Ranked[],
  words: readonly WantedWord[],
): Finding[] {
  const asked = ranked.flatMap(({ target, lines }) =>
    lines.lines.map(({ id }) => ({ documentId: target.id, blockId: id })),
  );
  const nodes = toFind.nodes(connection, asked);
  const titleOf = (linked: string) => reader.title(linked);
  const wordsOf = (id: string): string => {
    const node = nodes.get(id);
    return node ? inOneLine(shownWords(node, titleOf, '\n')) : '';
  };
  return ranked.map(({ row, target, lines }) => ({
    ...target,
    titlePieces: markWords(target.title, words, 200),
    blockId: lines.lines[0]?.id ?? null,
    lines: lines.lines.map(({ id, file, stretches }) => ({
      blockId: id,
      pieces: stretches
        ? [...markWords(`${file}: `, words), ...excerptsOf(stretches(), words)]
        : markWords([wordsOf(id), file].filter(Boolean).join(' · '), words),
    })),
    changedAt: row.changedAt,
  }));
}

const LEFT_OUT: MarkedPiece = { text: ' … ', isMarked: false };

/** What is shown of the stretches of a file, one after the other. */
const excerptsOf = (stretches: readonly string[], words: readonly WantedWord[]): MarkedPiece[] =>
  stretches
    .flatMap((each, index) => {
      const pieces = markWords(each, words, Math.floor(EXCERPT / stretches.length));
      return index === 0 ? pieces : [LEFT_OUT, ...pieces];
    })
    // Where one ends and the next begins within a sentence, that is said once.
    .filter(({ text }, at, all) => text !== '…' || (all[at - 1] !== LEFT_OUT && all[at + 1] !== LEFT_OUT));
