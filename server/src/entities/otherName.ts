import { EntitySchema } from 'typeorm';
import { integerKey, key, text } from './columns';

/** A name by which a page is found and linked too. */
export interface OtherName {
  pageId: string;
  position: number;
  name: string;
}

export const OtherNameEntity = new EntitySchema<OtherName>({
  name: 'OtherName',
  tableName: 'otherNames',
  columns: { pageId: key, position: integerKey, name: text },
});
