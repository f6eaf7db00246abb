import { folio, numberSiblings, roman, shownTitle, type FolioStep } from '@glossarion/core/outline';
import type { ContentsEntry } from '../../state/types';

/** One line of a contents, ready to be set. */
export interface ContentsRow {
  entry: ContentsEntry;
  title: string;
  /** For a section its Roman figure (small ones further in), for a page its number within the section. */
  folio: string;
  /** How deep a page stands beneath its section, or a section beneath its notebook. */
  depth: number;
}

/** Sets out the entries beneath a notebook in the order in which a book's contents would list them. */
export function contentsRows(rootId: string, entries: readonly ContentsEntry[]): ContentsRow[] {
  const beneath = new Map<string, ContentsEntry[]>();
  for (const entry of entries) {
    const parent = entry.parentId ?? '';
    beneath.set(parent, [...(beneath.get(parent) ?? []), entry]);
  }
  const rows: ContentsRow[] = [];
  const walk = (parentId: string, sections: FolioStep[], pages: FolioStep[]): void => {
    const siblings = numberSiblings(beneath.get(parentId) ?? []);
    // Pages that stand in a section itself come before the sections within it.
    const sorted = [...siblings].sort(
      (one, other) => Number(one.kind === 'section') - Number(other.kind === 'section'),
    );
    for (const { number, ...entry } of sorted) {
      const step = { kind: entry.kind, number };
      const isSection = entry.kind === 'section';
      const within = isSection ? [...sections, step] : sections;
      const numbered = isSection ? [] : [...pages, step];
      rows.push({
        entry,
        title: shownTitle(entry.name, entry.firstWords),
        folio: isSection && sections.length > 0 ? roman(number).toLowerCase() : folio(isSection ? within : numbered),
        depth: isSection ? sections.length : pages.length,
      });
      walk(entry.id, within, numbered);
    }
  };
  walk(rootId, [], []);
  return rows;
}
