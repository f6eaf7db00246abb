import {
  contentsRows,
  type ContentsRow,
  type Season,
  type Contents,
  type ContentsEntry,
} from '@glossarion/core/outline';

/** One line of the contents as it is drawn: an entry, or the head of what is for later or laid aside. */
export type ContentsLine =
  | { key: string; kind: 'entry'; row: ContentsRow<ContentsEntry>; isAside: boolean }
  | { key: string; kind: 'season'; season: Exclude<Season, 'now'>; count: number; isOpen: boolean };

export const SEASON_HEADS: Record<Exclude<Season, 'now'>, string> = { later: 'Later', aside: 'Laid aside' };

/** Sets out a notebook: what is for now, then what is for later and what is laid aside, each under a head of its own. */
export function contentsLines(notebookId: string, { entries, seasons }: Contents): ContentsLine[] {
  const lines: ContentsLine[] = contentsRows(notebookId, entries).map((row) => ({
    key: row.entry.id,
    kind: 'entry',
    row,
    isAside: false,
  }));
  for (const { season, count, pages, isOpen, roots } of seasons) {
    if (count === 0) continue;
    lines.push({ key: season, kind: 'season', season, count: pages || count, isOpen });
    // Roots stand beside each other here, whatever they stand in at their own place.
    const within = [...roots.map((root) => ({ ...root, parentId: season })), ...entries];
    for (const row of contentsRows(season, within)) {
      const entry = roots.find((root) => root.id === row.entry.id) ?? row.entry;
      lines.push({ key: row.entry.id, kind: 'entry', row: { ...row, entry }, isAside: true });
    }
  }
  return lines;
}

/** Everything beside an entry in the contents, in order. */
export const siblingsOf = (contents: Contents | undefined, parentId: string | null): ContentsEntry[] =>
  (contents?.entries ?? []).filter((entry) => entry.parentId === parentId);
