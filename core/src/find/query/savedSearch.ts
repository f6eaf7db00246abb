/** The most characters of the name of a saved search, and how many there can be. */
export const MAX_SEARCH_NAME = 80;
export const MAX_SEARCHES = 200;

/** A search that was kept, in an order of one's own. */
export interface SavedSearch {
  id: string;
  name: string;
  /** As it is typed. */
  line: string;
  orderKey: string;
}
