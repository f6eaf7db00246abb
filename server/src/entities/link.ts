import { EntitySchema } from 'typeorm';
import type { LinkFact } from '@glossarion/core/document';
import { integerKey, key, text, textOrNull, zero } from './columns';

/** A fact of a body: one of its links. */
export interface StoredLink extends LinkFact {
  documentId: string;
}

export const LinkEntity = new EntitySchema<StoredLink>({
  name: 'Link',
  tableName: 'links',
  columns: { documentId: key, position: integerKey, blockId: text, ofField: zero, target: text, words: textOrNull },
  indices: [
    { name: 'links_by_target', columns: ['target'] },
    { name: 'links_by_block', columns: ['documentId', 'blockId'] },
  ],
});
