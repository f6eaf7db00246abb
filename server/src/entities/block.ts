import { EntitySchema } from 'typeorm';
import type { BlockFact } from '@glossarion/core/document';
import { integer, key, text, textOrNull } from './columns';

/** A fact of a body: one of its blocks, with its node as JSON. */
export interface StoredBlock extends Omit<BlockFact, 'node'> {
  documentId: string;
  node: string;
}

export const BlockEntity = new EntitySchema<StoredBlock>({
  name: 'Block',
  tableName: 'blocks',
  columns: {
    documentId: key,
    id: key,
    parentId: textOrNull,
    headingId: textOrNull,
    position: integer,
    depth: integer,
    kind: text,
    state: textOrNull,
    words: text,
    node: text,
  },
  indices: [
    { name: 'blocks_by_id', columns: ['id'] },
    { name: 'blocks_by_position', columns: ['documentId', 'position'] },
  ],
});
