import { mayHold, type EntryKind } from '@glossarion/core/outline';
import type { RawDatabase } from '../database/database';
import type { Disagreement } from './checkData';

interface PlaceRow {
  id: string;
  ownerId: string;
  kind: EntryKind;
  parentId: string | null;
  day: string | null;
  deletedAt: string | null;
  mergedInto: string | null;
}

/** Looks for entries that stand where nobody can see them, and for pages that were merged into each other. */
export function checkPlaces(database: RawDatabase): Disagreement[] {
  const rows = database
    .prepare('SELECT id, ownerId, kind, parentId, day, deletedAt, mergedInto FROM entries')
    .all() as PlaceRow[];
  const byId = new Map(rows.map((row) => [row.id, row]));
  const found: Disagreement[] = [];
  for (const row of rows) {
    const report = (what: string) => found.push({ pageId: row.id, what });
    const parent = row.parentId === null ? null : byId.get(row.parentId);
    if (parent === undefined || (parent && parent.ownerId !== row.ownerId)) report('What it stands in is not there.');
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
  const met = new Set<string>();
  for (let at: PlaceRow | undefined = row; at; at = byId.get(at[along] ?? '')) {
    if (met.has(at.id)) return at.id === row.id;
    met.add(at.id);
  }
  return false;
}
