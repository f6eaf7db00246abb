import { EntitySchema } from 'typeorm';
import type { FieldValueFact } from '@glossarion/core/document';
import { integerKey, key, real, text } from './columns';

/** A fact of a page: something that it holds of a field. */
export interface FieldValue extends FieldValueFact {
  documentId: string;
}

export const FieldValueEntity = new EntitySchema<FieldValue>({
  name: 'FieldValue',
  tableName: 'fieldValues',
  columns: {
    documentId: key,
    position: integerKey,
    field: text,
    part: text,
    words: text,
    amount: { ...real, nullable: true },
  },
  indices: [{ name: 'fieldValues_by_field', columns: ['field'] }],
});
