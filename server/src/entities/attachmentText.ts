import { EntitySchema } from 'typeorm';
import { integerOrNull, key, text, zero } from './columns';

/** What is written in an attachment; both empty where nothing can be read of it. */
export interface StoredAttachmentText {
  fileId: string;
  text: string;
  /** The same as the index of words has it. */
  words: string;
  /** How often its reading was begun and came to no end, whatever it was: a file that ends the server is not read for ever. */
  tries: number;
  /** How many of its pieces the vocabulary has the words of; null where that is all of them. */
  countedTo: number | null;
}

export const AttachmentTextEntity = new EntitySchema<StoredAttachmentText>({
  name: 'AttachmentText',
  tableName: 'attachmentTexts',
  columns: { fileId: key, text, words: text, tries: zero, countedTo: integerOrNull },
});
