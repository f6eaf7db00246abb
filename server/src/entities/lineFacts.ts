import type { EntitySchema } from 'typeorm';
import type { LineFacts } from '@glossarion/core/document';
import { FieldValueEntity } from './fieldValue';
import { FileUseEntity } from './fileUse';
import { FormerIdEntity } from './formerId';
import { KindUseEntity } from './kindUse';
import { LinkEntity } from './link';
import { TagUseEntity } from './tagUse';
import { TaskEntity } from './task';

/** Where a fact of lines is kept: a row of its table is one of the fact and the document it is of. */
export interface LineFactTable<Row> {
  entity: EntitySchema;
  /** What of the fact is kept, in the order of the values. */
  columns: readonly (keyof Row & string)[];
  /** The column that tells rows of a document apart, and puts them in order. */
  order: keyof Row & string;
}

/** The table of each fact of lines (core/document/facts). */
export const LINE_FACT_TABLES: { [K in keyof LineFacts]: LineFactTable<LineFacts[K][number]> } = {
  links: { entity: LinkEntity, columns: ['blockId', 'ofField', 'position', 'target', 'words'], order: 'position' },
  tags: { entity: TagUseEntity, columns: ['blockId', 'position', 'tag'], order: 'position' },
  files: { entity: FileUseEntity, columns: ['blockId', 'fileId'], order: 'blockId' },
  formerIds: { entity: FormerIdEntity, columns: ['formerId', 'blockId'], order: 'formerId' },
  tasks: {
    entity: TaskEntity,
    columns: ['blockId', 'state', 'priority', 'due', 'forDay', 'repeat', 'doneOn', 'within'],
    order: 'blockId',
  },
  kinds: { entity: KindUseEntity, columns: ['position', 'kind'], order: 'position' },
  fieldValues: {
    entity: FieldValueEntity,
    columns: ['position', 'field', 'part', 'words', 'amount'],
    order: 'position',
  },
};

export const LINE_FACT_NAMES = Object.keys(LINE_FACT_TABLES) as (keyof LineFacts)[];
