import { EntitySchema } from 'typeorm';
import { integerOrNull, key, text } from './columns';

/** An import that is not whole yet: nobody sees what came with it. */
export interface ImportUnderWay {
  id: string;
  ownerId: string;
  begunAt: string;
  /** The row of the last entry of it whose words are counted; null when those of all are that the index has. */
  countedTo: number | null;
}

export const ImportUnderWayEntity = new EntitySchema<ImportUnderWay>({
  name: 'ImportUnderWay',
  tableName: 'importsUnderWay',
  columns: { id: key, ownerId: text, begunAt: text, countedTo: integerOrNull },
});
