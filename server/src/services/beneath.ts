import { prepared, type RawDatabase } from '../sqlite/prepared';
import { ADD_BENEATH } from '../entities/entry.queries';
import type { Entry } from '../entities';

/** How many pages and sections an entry adds to what it stands in. */
export interface Weight {
  pages: number;
  sections: number;
}

export const weightOf = (entry: Pick<Entry, 'kind' | 'pagesBeneath' | 'sectionsBeneath'>): Weight => ({
  pages: entry.pagesBeneath + Number(entry.kind === 'page'),
  sections: entry.sectionsBeneath + Number(entry.kind === 'section'),
});

/**
 * Adds a weight to (1) or takes it from (-1) everything from `parentId` up to the notebook. What is in the bin does
 * not count for what is above it, so that the walk ends there. Within a transaction.
 */
export function adjustBeneath(writer: RawDatabase, parentId: string | null, weight: Weight, sign: 1 | -1): void {
  const update = prepared(writer, ADD_BENEATH);
  let id = parentId;
  const walked = new Set<string>();
  while (id !== null && !walked.has(id)) {
    walked.add(id);
    const above = update.get(sign * weight.pages, sign * weight.sections, id) as
      { parentId: string | null; deletedAt: string | null } | undefined;
    id = above && above.deletedAt === null ? above.parentId : null;
  }
}
