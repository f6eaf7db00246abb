import { EntitySchema } from 'typeorm';
import type { Kind } from '@glossarion/core/kinds';
import { key, text, textOrNull, zero } from './columns';

/** A kind that an account made, or one of those that everybody begins with as the account changed it. */
export interface StoredKind extends Omit<Kind, 'isDeleted'> {
  ownerId: string;
  isDeleted: 0 | 1;
}

export const KindEntity = new EntitySchema<StoredKind>({
  name: 'Kind',
  tableName: 'kinds',
  columns: {
    id: key,
    ownerId: text,
    name: text,
    broaderId: textOrNull,
    pigment: textOrNull,
    templateId: textOrNull,
    placeId: textOrNull,
    homeId: textOrNull,
    isDeleted: zero,
  },
  indices: [{ name: 'kinds_by_owner', columns: ['ownerId'] }],
});
