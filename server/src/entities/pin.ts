import { EntitySchema } from 'typeorm';
import { key, text } from './columns';

/** An entry that somebody pinned, in an order of their own. */
export interface Pin {
  ownerId: string;
  entryId: string;
  orderKey: string;
}

export const PinEntity = new EntitySchema<Pin>({
  name: 'Pin',
  tableName: 'pins',
  columns: { ownerId: key, entryId: key, orderKey: text },
});
