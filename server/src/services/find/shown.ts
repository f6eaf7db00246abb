import { shownWords } from '@glossarion/core/document';
import { markWords, type Finding, type WantedWord } from '@glossarion/core/find';
import type { ViewerConnection } from '../../access';
import type { EntryReader } from '../entries';
import type { LinesToFind } from './linesToFind';
import type { Ranked } from './search';

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
    lines: lines.lines.map(({ id, file, stretch }) => ({
      blockId: id,
      pieces: stretch
        ? [...markWords(`${file}: `, words), ...markWords(stretch(), words)]
        : markWords([wordsOf(id), file].filter(Boolean).join(' · '), words),
    })),
    changedAt: row.changedAt,
  }));
}
