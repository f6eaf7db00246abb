import { EntitySchema } from 'typeorm';
import { key, text } from './columns';

/** What is written in an attachment; both empty where nothing can be read of it. */
export interface StoredAttachmentText {
  fileId: string;
  text: string;
  /** The same as the index of words has it. */
  words: string;
}

export const AttachmentTextEntity = new EntitySchema<StoredAttachmentText>({
  name: 'AttachmentText',
  tableName: 'attachmentTexts',
  columns: { fileId: key, text, words: text },
});
