import { shownTitle, type EntryKind } from './entry';
import { folio, numberSiblings, roman, type FolioStep } from './folio';

/** What setting out a contents needs to know of an entry. */
export interface ListedEntry {
  id: string;
  parentId: string | null;
  kind: EntryKind;
  name: string;
  firstWords: string;
  /** ISO 8601. */
  changedAt: string;
}

/** One line of a contents, ready to be set. */
export interface ContentsRow<T extends ListedEntry> {
  entry: T;
  title: string;
  /** For a section its Roman figure (small ones further in), for a page its number within the section. */
  folio: string;
  /** How deep a page stands beneath its section, or a section beneath its notebook. */
  depth: number;
  /** How deep it stands in the whole tree, from 1. */
  level: number;
  /** Its place among the siblings shown, from 1, and their number. */
  position: number;
  siblings: number;
}

export const CONTENTS_ORDERS = ['place', 'name', 'date'] as const;
export type ContentsOrder = (typeof CONTENTS_ORDERS)[number];

const COMPARE: Record<ContentsOrder, (one: ListedEntry, other: ListedEntry) => number> = {
  place: () => 0,
  name: (one, other) =>
    shownTitle(one.name, one.firstWords).localeCompare(shownTitle(other.name, other.firstWords), 'en', {
      numeric: true,
    }),
  date: (one, other) => other.changedAt.localeCompare(one.changedAt),
};

/** A page's number with at most this many steps; deeper ones begin with a dash for the steps left out. */
const SHOWN_STEPS = 3;

const pageFolio = (steps: readonly FolioStep[]): string =>
  steps.length > SHOWN_STEPS ? `–${folio(steps.slice(-2))}` : folio(steps);

/**
 * Sets out entries beneath a root in the order in which a book's contents would list them: the pages that stand in a
 * section itself before the sections within it. `entries` come with siblings in their order of place.
 */
export function contentsRows<T extends ListedEntry>(
  rootId: string,
  entries: readonly T[],
  order: ContentsOrder = 'place',
): ContentsRow<T>[] {
  const beneath = new Map<string, T[]>();
  for (const entry of entries) {
    const siblings = beneath.get(entry.parentId ?? '');
    if (siblings) siblings.push(entry);
    else beneath.set(entry.parentId ?? '', [entry]);
  }
  const rows: ContentsRow<T>[] = [];
  const walk = (parentId: string, sections: FolioStep[], pages: FolioStep[], level: number): void => {
    const siblings = [...(beneath.get(parentId) ?? [])].sort(
      (one, other) => Number(one.kind === 'section') - Number(other.kind === 'section') || COMPARE[order](one, other),
    );
    numberSiblings(siblings).forEach(({ number }, index) => {
      const entry = siblings[index]!;
      const step = { kind: entry.kind, number };
      const isSection = entry.kind === 'section';
      const within = isSection ? [...sections, step] : sections;
      const numbered = isSection ? [] : [...pages, step];
      rows.push({
        entry,
        title: shownTitle(entry.name, entry.firstWords),
        folio: !isSection ? pageFolio(numbered) : sections.length > 0 ? roman(number).toLowerCase() : folio(within),
        depth: isSection ? sections.length : pages.length,
        level,
        position: index + 1,
        siblings: siblings.length,
      });
      walk(entry.id, within, numbered, level + 1);
    });
  };
  walk(rootId, [], [], 1);
  return rows;
}
