import { EntitySchema } from 'typeorm';
import type { Tag as TagOfTree } from '@glossarion/core/tags';
import { key, text, textOrNull } from './columns';

/** A tag: lines that wear it hold its id. */
export interface Tag extends TagOfTree {
  ownerId: string;
  /** Its name as names are compared; of those beneath one tag, each has another. */
  folded: string;
  /** The import that made it, for as long as nobody else has used it. */
  importId: string | null;
}

export const TagEntity = new EntitySchema<Tag>({
  name: 'Tag',
  tableName: 'tags',
  columns: {
    id: key,
    ownerId: text,
    parentId: textOrNull,
    name: text,
    folded: text,
    pigment: textOrNull,
    mergedInto: textOrNull,
    deletedAt: textOrNull,
    importId: textOrNull,
  },
  indices: [
    { name: 'tags_by_name', columns: ['ownerId', 'parentId', 'folded'] },
    { name: 'tags_by_parent', columns: ['parentId'] },
    { name: 'tags_by_import', columns: ['importId'], where: 'importId IS NOT NULL' },
  ],
});
