import { EntitySchema } from 'typeorm';
import type { Field } from '@glossarion/core/kinds';
import { emptyText, key, text, textOrNull, zero } from './columns';

/** A field of a kind, that an account made, or changed. */
export interface StoredField extends Omit<Field, 'isDeleted' | 'choices' | 'order'> {
  ownerId: string;
  orderKey: string;
  /** JSON. */
  choices: string;
  isDeleted: 0 | 1;
}

export const FieldEntity = new EntitySchema<StoredField>({
  name: 'Field',
  tableName: 'fields',
  columns: {
    id: key,
    ownerId: text,
    kindId: text,
    name: text,
    type: text,
    orderKey: text,
    unit: emptyText,
    choices: text,
    ofKind: textOrNull,
    isDeleted: zero,
  },
  indices: [{ name: 'fields_by_owner', columns: ['ownerId'] }],
});
