import { EntitySchema } from 'typeorm';
import { key, text } from './columns';

/** A fact of a body: the id of a block that was joined into another, and that other one. */
export interface FormerId {
  documentId: string;
  formerId: string;
  blockId: string;
}

export const FormerIdEntity = new EntitySchema<FormerId>({
  name: 'FormerId',
  tableName: 'formerIds',
  columns: { documentId: key, formerId: key, blockId: text },
  indices: [{ name: 'formerIds_by_id', columns: ['formerId'] }],
});
