import { EntitySchema } from 'typeorm';
import { key, text } from './columns';

/** What is left of what was deleted for good: links to it still say what it was called. */
export interface Tombstone {
  id: string;
  ownerId: string;
  title: string;
  goneAt: string;
}

export const TombstoneEntity = new EntitySchema<Tombstone>({
  name: 'Tombstone',
  tableName: 'tombstones',
  columns: { id: key, ownerId: text, title: text, goneAt: text },
});
