import type { WantedWord } from '@glossarion/core/find';
import { api } from './api';

/** What stands for words that are looked for: asked once somebody looks for something on a page. */
const soughtWordsQuery = api.injectEndpoints({
  endpoints: (build) => ({
    soughtWords: build.query<WantedWord[], string>({
      query: (typed) => `/find/words?q=${encodeURIComponent(typed.slice(0, 500))}`,
      keepUnusedDataFor: 30,
      providesTags: ['Found'],
    }),
  }),
});

export const { useSoughtWordsQuery } = soughtWordsQuery;
