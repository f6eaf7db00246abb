import { EntitySchema } from 'typeorm';
import { key, text } from './columns';

/** An import that is not whole yet: nobody sees what came with it. */
export interface ImportUnderWay {
  id: string;
  ownerId: string;
  begunAt: string;
}

export const ImportUnderWayEntity = new EntitySchema<ImportUnderWay>({
  name: 'ImportUnderWay',
  tableName: 'importsUnderWay',
  columns: { id: key, ownerId: text, begunAt: text },
});
