import { mayHold, outsideOf } from '@glossarion/core/outline';
import type { EntityManager } from 'typeorm';
import { allPlaces, type EntryPlaced } from '../access';
import type { Disagreement } from './checkedData';

/** Looks for entries that stand where nobody can see them, and for pages that were merged into each other. */
export async function checkPlaces(manager: EntityManager): Promise<Disagreement[]> {
  const rows = await allPlaces(manager);
  const byId = new Map(rows.map((row) => [row.id, row]));
  const found: Disagreement[] = [];
  for (const row of rows) {
    const report = (what: string) => found.push({ pageId: row.id, what });
    const parent = row.parentId === null ? null : byId.get(row.parentId);
    if (parent === undefined || (parent && parent.accountId !== row.accountId))
      report('What it stands in is not there.');
    if (outsideOf(row) === null && row.deletedAt === null && !mayHold(parent?.kind ?? null, row.kind)) {
      report('It stands where a thing of its kind can’t stand.');
    }
    if (outsideOf(row) !== null && parent !== null) report('It stands in something, and outside of all.');
    if (leadsRound(row, byId, 'parentId')) report('It stands in itself.');
    if (leadsRound(row, byId, 'mergedInto')) report('It was merged into itself.');
    if (row.mergedInto !== null && !byId.has(row.mergedInto)) report('What it was merged into is not there.');
  }
  return found;
}

function leadsRound(
  row: EntryPlaced,
  byId: ReadonlyMap<string, EntryPlaced>,
  along: 'parentId' | 'mergedInto',
): boolean {
  const walked = new Set<string>();
  for (let at: EntryPlaced | undefined = row; at; at = byId.get(at[along] ?? '')) {
    if (walked.has(at.id)) return at.id === row.id;
    walked.add(at.id);
  }
  return false;
}
