import type { LogOrder, LogPiece } from '@glossarion/core/log';
import type { MarginFilter } from '@glossarion/core/margin';
import { api, asQuery, linesOf } from '../../../state/api';

export interface LogWish extends MarginFilter {
  id: string;
  order: LogOrder;
  from?: number;
  limit?: number;
}

const logQueries = api.injectEndpoints({
  endpoints: (build) => ({
    log: build.query<LogPiece, LogWish>({
      query: ({ id, ...wish }) => `/pages/${id}/log?${asQuery(wish)}`,
      providesTags: (found, _error, { id }) => [
        'Tasks',
        'Kinds',
        ...linesOf(
          id,
          found?.entries.map(({ gloss }) => gloss),
        ),
      ],
    }),
  }),
});

export const { useLogQuery } = logQueries;
