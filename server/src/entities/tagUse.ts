import { EntitySchema } from 'typeorm';
import type { TagFact } from '@glossarion/core/document';
import { integerKey, key, text } from './columns';

/** A fact of a body: a tag that one of its lines wears. */
export interface TagUse extends TagFact {
  documentId: string;
}

export const TagUseEntity = new EntitySchema<TagUse>({
  name: 'TagUse',
  tableName: 'tagUses',
  columns: { documentId: key, position: integerKey, blockId: text, tag: text },
  indices: [
    { name: 'tagUses_by_tag', columns: ['tag'] },
    { name: 'tagUses_by_block', columns: ['documentId', 'blockId'] },
  ],
});
