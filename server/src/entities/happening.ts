import { EntitySchema } from 'typeorm';
import type { TaskHappening } from '@glossarion/core/tasks';
import { emptyText, integer, numbered, text, zero } from './columns';

/**
 * Something that happened on a day: a task was done, dropped or put off, or words were written. Original: it follows from
 * no body, is written in the transaction in which it happens, and taken back with it.
 */
export interface Happening {
  number: number;
  ownerId: string;
  documentId: string;
  what: TaskHappening['what'] | 'words';
  day: string;
  /** The line of a task; empty for words. */
  blockId: string;
  /** As core/tasks/happenings has them. */
  occurrence: string;
  fromDay: string;
  toDay: string;
  /** Words that were added, less those that were taken away; 0 for what happened to a task. */
  words: number;
  /** 1 for a move that was taken back: it is the same when it is made again. */
  isTakenBack: 0 | 1;
}

export const HappeningEntity = new EntitySchema<Happening>({
  name: 'Happening',
  tableName: 'happenings',
  columns: {
    number: numbered,
    ownerId: text,
    documentId: text,
    what: text,
    day: text,
    blockId: emptyText,
    occurrence: emptyText,
    fromDay: emptyText,
    toDay: emptyText,
    words: { ...integer, default: 0 },
    isTakenBack: zero,
  },
  indices: [
    { name: 'happenings_by_day', columns: ['ownerId', 'day'] },
    { name: 'happenings_by_document', columns: ['documentId'] },
    { name: 'happenings_by_block', columns: ['blockId'], where: "what != 'words'" },
    { name: 'happenings_words', columns: ['documentId', 'day'], unique: true, where: "what = 'words'" },
    {
      name: 'happenings_once',
      columns: ['blockId', 'what', 'day', 'occurrence'],
      unique: true,
      where: "what IN ('done', 'dropped')",
    },
  ],
});
