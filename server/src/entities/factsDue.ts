import { EntitySchema } from 'typeorm';
import { key } from './columns';

/** A document of which other facts are known since a migration: they are written anew before anybody is served. */
export interface FactsDue {
  documentId: string;
}

export const FactsDueEntity = new EntitySchema<FactsDue>({
  name: 'FactsDue',
  tableName: 'factsDue',
  columns: { documentId: key },
});
