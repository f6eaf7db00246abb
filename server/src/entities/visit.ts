import { EntitySchema } from 'typeorm';
import { key, text } from './columns';

/** When somebody opened an entry last. */
export interface Visit {
  ownerId: string;
  entryId: string;
  visitedAt: string;
}

export const VisitEntity = new EntitySchema<Visit>({
  name: 'Visit',
  tableName: 'visits',
  columns: { ownerId: key, entryId: key, visitedAt: text },
  indices: [{ name: 'visits_by_moment', columns: ['ownerId', 'visitedAt'] }],
});
