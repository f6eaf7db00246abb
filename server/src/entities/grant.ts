import { EntitySchema } from 'typeorm';
import { key, zero } from './columns';

/** What an account was given to see of another one: an entry with all that stands beneath it. */
export interface Grant {
  accountId: string;
  entryId: string;
  mayWrite: 0 | 1;
}

export const GrantEntity = new EntitySchema<Grant>({
  name: 'Grant',
  tableName: 'grants',
  columns: { accountId: key, entryId: key, mayWrite: zero },
});
