import { EntitySchema } from 'typeorm';
import { integer, key, text, textOrNull } from './columns';

/** What was attached, once for each content and owner; the content itself is a file named by its hash. */
export interface StoredAttachment {
  id: string;
  ownerId: string;
  hash: string;
  name: string;
  media: string;
  /** Bytes. */
  size: number;
  madeAt: string;
  /** Since when nothing refers to it. */
  unusedSince: string | null;
}

export const AttachmentEntity = new EntitySchema<StoredAttachment>({
  name: 'Attachment',
  tableName: 'attachments',
  columns: {
    id: key,
    ownerId: text,
    hash: text,
    name: text,
    media: text,
    size: integer,
    madeAt: text,
    unusedSince: textOrNull,
  },
  uniques: [{ columns: ['ownerId', 'hash'] }],
  indices: [
    { name: 'attachments_by_hash', columns: ['hash'] },
    { name: 'attachments_by_making', columns: ['ownerId', 'madeAt'] },
  ],
});
