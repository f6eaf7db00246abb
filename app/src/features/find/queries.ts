import type { Found, FoundCounts } from '@glossarion/core/find';
import type { Listed, ListedOrder } from '@glossarion/core/document';
import type { Glimpse } from '@glossarion/core/links';
import type { FoundList } from '@glossarion/core/margin';
import { api } from '../../state/api';
import { isMonthFirst, weekBegins } from '../../state/typedDay';

const asked = (typed: string) => {
  const order = isMonthFirst() ? 'month first' : 'day first';
  return `q=${encodeURIComponent(typed)}&order=${encodeURIComponent(order)}&weekBegins=${weekBegins()}`;
};

export interface FoundListWish {
  line: string;
  of: Listed;
  by: ListedOrder;
  most: number;
}

/** What is asked to find: entered in the table of questions once somebody does. */
const findQueries = api.injectEndpoints({
  endpoints: (build) => ({
    found: build.query<Found, { typed: string; limit: number }>({
      query: ({ typed, limit }) => `/find?${asked(typed)}&limit=${limit}`,
      keepUnusedDataFor: 5,
      providesTags: ['Found'],
    }),
    foundCounts: build.query<FoundCounts, string>({
      query: (typed) => `/find/counts?${asked(typed)}`,
      keepUnusedDataFor: 5,
      providesTags: ['Found'],
    }),
    foundList: build.query<FoundList, FoundListWish>({
      query: ({ line, of, by, most }) => `/find/list?${asked(line)}&of=${of}&by=${by}&most=${most}`,
      keepUnusedDataFor: 5,
      providesTags: ['Found', 'Tasks'],
    }),
    glimpseAround: build.query<Glimpse, string>({
      query: (id) => `/glimpses/${id}?around=true`,
      keepUnusedDataFor: 5,
      providesTags: ['Found'],
    }),
  }),
});

export const { useFoundQuery, useFoundCountsQuery, useGlimpseAroundQuery, useFoundListQuery } = findQueries;
