import { EntitySchema } from 'typeorm';
import { integer, key } from './columns';

/** A level of the contents that somebody opened or folded. The key is an entry's id, or "later/" or "aside/" and one. */
export interface Fold {
  ownerId: string;
  key: string;
  isOpen: 0 | 1;
}

export const FoldEntity = new EntitySchema<Fold>({
  name: 'Fold',
  tableName: 'folds',
  columns: { ownerId: key, key, isOpen: integer },
});
