import type { SavedSearch } from '@glossarion/core/find';
import { api } from './api';

/** The saved searches: asked for where they are shown. */
const savedSearchesQuery = api.injectEndpoints({
  endpoints: (build) => ({
    searches: build.query<SavedSearch[], void>({ query: () => '/searches', providesTags: ['Searches'] }),
  }),
});

export const { useSearchesQuery } = savedSearchesQuery;
