import type { MarginFilter, OfferedTag, TagLines, TagOrder, TagUses } from '@glossarion/core/margin';
import type { Tag } from '@glossarion/core/tags';
import { api, asQuery, linesOf } from './api';

/** A tag with its name and those of what it stands beneath. */
export type NamedTag = Tag & { path: string };

export interface TagLinesWish extends MarginFilter {
  id: string;
  also: readonly string[];
  order: TagOrder;
  from?: number;
  limit?: number;
}

/** What is asked of tags: entered in the table of questions once something of them is shown. */
const tagQueries = api.injectEndpoints({
  endpoints: (build) => ({
    tagUses: build.query<TagUses[], void>({
      query: () => '/tags/uses',
      providesTags: ['Tags', 'Found'],
    }),
    tagLines: build.query<TagLines, TagLinesWish>({
      query: ({ id, also, ...wish }) =>
        `/tags/${id}/lines?${[asQuery(wish), ...also.map((each) => `also=${each}`)].join('&')}`,
      providesTags: (found, _error, { id }) => [
        'Tags',
        'Kinds',
        ...linesOf(
          id,
          found?.entries.map(({ gloss }) => gloss),
        ),
      ],
    }),
    offeredTags: build.query<OfferedTag[], string>({
      query: (id) => `/pages/${id}/tags/offered`,
      keepUnusedDataFor: 5,
      providesTags: (_found, _error, id) => ['Tags', ...linesOf(id, undefined)],
    }),
  }),
});

export const { useTagUsesQuery, useTagLinesQuery, useOfferedTagsQuery } = tagQueries;
