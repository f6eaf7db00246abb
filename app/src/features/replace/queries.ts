import type { Act } from '@glossarion/core/acts';
import type { Target } from '@glossarion/core/links';
import type { ChosenLine, ReplacePreview, ReplaceWish } from '@glossarion/core/replace';
import { api } from '../../state/api';

interface Replaced {
  undo: Act[];
  lines: number;
  left: Target[];
}

/** What is asked when words are replaced across pages: entered in the table of questions once somebody does. */
const replaceQueries = api.injectEndpoints({
  endpoints: (build) => ({
    replacePreview: build.query<ReplacePreview, ReplaceWish & { searched: string }>({
      query: (body) => ({ url: '/replace/preview', method: 'POST', body }),
      keepUnusedDataFor: 5,
      providesTags: ['Found'],
    }),
    replace: build.mutation<Replaced, ReplaceWish & { chosen: ChosenLine[] }>({
      query: (body) => ({ url: '/replace', method: 'POST', body }),
      invalidatesTags: ['Found', 'Outline', 'Titles', 'Links', 'Desk', 'AlsoNamed', 'Tray', 'Tasks'],
    }),
  }),
});

export const { useReplacePreviewQuery, useReplaceMutation } = replaceQueries;
