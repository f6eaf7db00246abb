import { EntitySchema } from 'typeorm';
import type { SavedSearch } from '@glossarion/core/find';
import { key, text } from './columns';

/** A search that somebody saved, in an order of their own. */
export interface StoredSearch extends SavedSearch {
  ownerId: string;
}

export const SavedSearchEntity = new EntitySchema<StoredSearch>({
  name: 'SavedSearch',
  tableName: 'savedSearches',
  columns: { ownerId: key, id: key, name: text, line: text, orderKey: text },
});
