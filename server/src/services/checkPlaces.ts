import { mayHold, type EntryKind } from '@glossarion/core/outline';
import { ALL_PLACES } from '../access';
import type { RawDatabase } from '../database/database';
import { prepared } from '../database/prepared';
import type { Disagreement } from './checkData';

interface PlaceRow {
  id: string;
  accountId: string;
  kind: EntryKind;
  parentId: string | null;
  day: string | null;
  deletedAt: string | null;
  mergedInto: string | null;
}

/** Looks for entries that stand where nobody can see them, and for pages that were merged into each other. */
export function checkPlaces(database: RawDatabase): Disagreement[] {
  const rows = prepared(database, ALL_PLACES).all() as PlaceRow[];
  const byId = new Map(rows.map((row) => [row.id, row]));
  const found: Disagreement[] = [];
  for (const row of rows) {
    const report = (what: string) => found.push({ pageId: row.id, what });
    const parent = row.parentId === null ? null : byId.get(row.parentId);
    if (parent === undefined || (parent && parent.accountId !== row.accountId))
      report('What it stands in is not there.');
    if (row.day === null && row.deletedAt === null && !mayHold(parent?.kind ?? null, row.kind)) {
      report('It stands where a thing of its kind can’t stand.');
    }
    if (leadsRound(row, byId, 'parentId')) report('It stands in itself.');
    if (leadsRound(row, byId, 'mergedInto')) report('It was merged into itself.');
    if (row.mergedInto !== null && !byId.has(row.mergedInto)) report('What it was merged into is not there.');
  }
  return found;
}

function leadsRound(row: PlaceRow, byId: ReadonlyMap<string, PlaceRow>, along: 'parentId' | 'mergedInto'): boolean {
  const walked = new Set<string>();
  for (let at: PlaceRow | undefined = row; at; at = byId.get(at[along] ?? '')) {
    if (walked.has(at.id)) return at.id === row.id;
    walked.add(at.id);
  }
  return false;
}
