import { shownWords, type NodeJson } from '@glossarion/core/document';
import { markWords, type Finding, type WantedWord } from '@glossarion/core/find';
import type { ViewerConnection } from '../../access';
import { WHOLE_LINES } from '../../entities/link.queries';
import type { EntryReader } from '../entries';
import type { Ranked } from './search';

/** Cells and lines that were broken, beside each other. */
const inOneLine = (words: string): string => words.trim().replaceAll(/\s*\n\s*/gu, ' · ');

/** What was found as it is shown. */
export function shown(
  connection: ViewerConnection,
  reader: EntryReader,
  ranked: readonly Ranked[],
  words: readonly WantedWord[],
): Finding[] {
  const asked = ranked.flatMap(({ target, lines }) => lines.lines.map(({ id }) => [target.id, id]));
  const rows = connection.all<{ place: number; node: string }>(WHOLE_LINES, { asked: JSON.stringify(asked) });
  const titleOf = (linked: string) => reader.target(linked).title;
  const read = new Map(
    rows.map(({ place, node }) => [
      asked[place]![1]!,
      inOneLine(shownWords(JSON.parse(node) as NodeJson, titleOf, '\n')),
    ]),
  );
  return ranked.map(({ row, target, lines }) => ({
    ...target,
    titlePieces: markWords(target.title, words, 200),
    blockId: lines.lines[0]?.id ?? null,
    lines: lines.lines.map(({ id, file, stretch }) => ({
      blockId: id,
      pieces: stretch
        ? [...markWords(`${file}: `, words), ...markWords(stretch(), words)]
        : markWords([read.get(id), file].filter(Boolean).join(' · '), words),
    })),
    changedAt: row.changedAt,
  }));
}
