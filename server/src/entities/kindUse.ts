import { EntitySchema } from 'typeorm';
import type { KindFact } from '@glossarion/core/document';
import { integerKey, key, text } from './columns';

/** A fact of a page: a kind that it is of. */
export interface KindUse extends KindFact {
  documentId: string;
}

export const KindUseEntity = new EntitySchema<KindUse>({
  name: 'KindUse',
  tableName: 'kindUses',
  columns: { documentId: key, position: integerKey, kind: text },
  indices: [{ name: 'kindUses_by_kind', columns: ['kind'] }],
});
