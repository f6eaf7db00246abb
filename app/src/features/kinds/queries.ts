import type { AboutMeeting } from '@glossarion/core/meetings';
import type { HeldOfField, KnownKinds, Likely, PagesOfKind } from '@glossarion/core/kinds';
import { api, tagged } from '../../state/api';

/** What is asked of kinds: entered in the table of questions once something of a kind is shown. */
export const kindQueries = api.injectEndpoints({
  endpoints: (build) => ({
    kinds: build.query<KnownKinds, void>({ query: () => '/kinds', providesTags: ['Kinds'] }),
    pagesOfKind: build.query<PagesOfKind, { id: string; from?: number; limit?: number }>({
      query: ({ id, from = 0, limit = 200 }) => `/kinds/${id}/pages?from=${from}&limit=${limit}`,
      providesTags: (found) => [
        ...(['Kinds', 'Titles', 'Outline'] as const),
        ...tagged('Titles', found?.targets.map(({ id }) => id) ?? []),
        ...tagged('Links', found?.pages.map(({ id }) => id) ?? []),
      ],
    }),
    likelyKinds: build.query<Likely, void>({
      query: () => '/likely-kinds',
      providesTags: ['Kinds', 'Titles', 'Outline'],
    }),
    aboutMeeting: build.query<AboutMeeting, { ids: string; today: string }>({
      query: ({ ids, today }) => `/meetings/about?ids=${ids}&today=${today}`,
      providesTags: ['Kinds', 'Titles', 'Tasks', 'Links'],
    }),
    heldOfField: build.query<HeldOfField, string>({
      query: (id) => `/fields/${id}/held`,
      providesTags: ['Kinds', 'Titles'],
    }),
  }),
});

export const { useKindsQuery, usePagesOfKindQuery, useHeldOfFieldQuery, useAboutMeetingQuery, useLikelyKindsQuery } =
  kindQueries;
