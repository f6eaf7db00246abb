import { EntitySchema } from 'typeorm';
import { key, text } from './columns';

/** A fact of a body: an attachment that one of its blocks shows. */
export interface FileUse {
  documentId: string;
  blockId: string;
  fileId: string;
}

export const FileUseEntity = new EntitySchema<FileUse>({
  name: 'FileUse',
  tableName: 'fileUses',
  columns: { documentId: key, blockId: key, fileId: text },
  indices: [{ name: 'fileUses_by_file', columns: ['fileId'] }],
});
