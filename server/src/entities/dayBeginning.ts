import { EntitySchema } from 'typeorm';
import { key, text } from './columns';

/** What a day begins with, from when it was first shown until it is written: all windows must begin alike. */
export interface DayBeginning {
  pageId: string;
  ownerId: string;
  json: string;
}

export const DayBeginningEntity = new EntitySchema<DayBeginning>({
  name: 'DayBeginning',
  tableName: 'dayBeginnings',
  columns: { pageId: key, ownerId: text, json: text },
});
