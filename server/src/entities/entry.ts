import { EntitySchema } from 'typeorm';
import type { EntryKind, JottingState, Ornament, Pigment, Season } from '@glossarion/core/outline';
import { emptyText, numbered, text, textOrNull, zero } from './columns';

/** A notebook, section or page. */
export interface Entry {
  /** The row's own number, which the search index shares. */
  row: number;
  id: string;
  ownerId: string;
  kind: EntryKind;
  parentId: string | null;
  orderKey: string;
  /** A notebook's or section's name; a page's title, derived from its document. */
  name: string;
  pigment: Pigment | null;
  ornament: Ornament | null;
  description: string;
  /** The date of a day's page; such a page stands in the journal, beneath nothing. */
  day: string | null;
  /** The week (2026-W48) or month (2026-11) whose page it is; it stands in the journal too. */
  period: string | null;
  /** How a jotting stands in the Tray, and the day on which it comes back; it stands beneath nothing. */
  jotting: JottingState | null;
  comesBack: string | null;
  firstWords: string;
  wordCount: number;
  begunAt: string;
  changedAt: string;
  /** Set on the root of what was deleted only. */
  deletedAt: string | null;
  /** Its own season; null for now. */
  season: Exclude<Season, 'now'> | null;
  /** 1 when the page shows the pages beneath it as leaves. */
  showsLeaves: 0 | 1;
  /** Pages and sections beneath at any depth, leaving out what is in the bin below this entry. */
  pagesBeneath: number;
  sectionsBeneath: number;
  /** 1 when pages can be made from this one. */
  isTemplate: 0 | 1;
  /** The template of pages made in here, and the one this page was made from. */
  templateId: string | null;
  madeFrom: string | null;
  /** The page it was merged into: links to this one lead there. */
  mergedInto: string | null;
  /** The import it came with; while that is under way, nobody sees it. */
  importId: string | null;
}

export const EntryEntity = new EntitySchema<Entry>({
  name: 'Entry',
  tableName: 'entries',
  columns: {
    row: numbered,
    id: { ...text, unique: true },
    ownerId: text,
    kind: text,
    parentId: textOrNull,
    orderKey: text,
    name: text,
    pigment: textOrNull,
    ornament: textOrNull,
    description: emptyText,
    day: textOrNull,
    period: textOrNull,
    jotting: textOrNull,
    comesBack: textOrNull,
    firstWords: emptyText,
    wordCount: zero,
    begunAt: text,
    changedAt: text,
    deletedAt: textOrNull,
    season: textOrNull,
    showsLeaves: zero,
    pagesBeneath: zero,
    sectionsBeneath: zero,
    isTemplate: zero,
    templateId: textOrNull,
    madeFrom: textOrNull,
    mergedInto: textOrNull,
    importId: textOrNull,
  },
  indices: [
    { name: 'entries_by_parent', columns: ['ownerId', 'parentId', 'orderKey'] },
    { name: 'entries_by_parent_alone', columns: ['parentId'] },
    { name: 'entries_by_change', columns: ['ownerId', 'kind', 'changedAt'] },
    { name: 'entries_by_day', columns: ['ownerId', 'day'], unique: true, where: 'day IS NOT NULL' },
    { name: 'entries_in_tray', columns: ['ownerId', 'begunAt'], where: 'jotting IS NOT NULL' },
    { name: 'entries_by_beginning', columns: ['ownerId', 'begunAt'] },
    { name: 'entries_by_season', columns: ['ownerId', 'season'], where: 'season IS NOT NULL' },
    { name: 'entries_in_bin', columns: ['ownerId', 'deletedAt'], where: 'deletedAt IS NOT NULL' },
    { name: 'entries_unwritten', columns: ['ownerId'], where: "kind = 'page' AND wordCount = 0 AND day IS NULL" },
    { name: 'entries_templates', columns: ['ownerId'], where: 'isTemplate = 1' },
    { name: 'entries_made_from', columns: ['madeFrom'], where: 'madeFrom IS NOT NULL' },
    { name: 'entries_by_merging', columns: ['mergedInto'], where: 'mergedInto IS NOT NULL' },
  ],
});
