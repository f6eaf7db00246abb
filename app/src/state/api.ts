import { createApi, fetchBaseQuery, type BaseQueryFn, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import type {
  ContentsEntry,
  DayInfo,
  EntryInfo,
  Finding,
  ImportReport,
  MarginInfo,
  NewEntry,
  PageInfo,
  SessionInfo,
  Target,
} from './types';

const base = fetchBaseQuery({ baseUrl: '/api' });

/** Problem details carry a sentence for people as their title. */
export function problemSentence(error: unknown): string {
  const { status, data } = (error ?? {}) as { status?: unknown; data?: { title?: unknown } };
  if (typeof data?.title === 'string') return data.title;
  if (status === 'FETCH_ERROR') return 'The server can’t be reached. What you wrote is kept here; try again.';
  return 'That did not work. Nothing was changed; try again.';
}

export const api = createApi({
  reducerPath: 'api',
  baseQuery: base as BaseQueryFn<
    string | { url: string; method?: string; body?: unknown },
    unknown,
    FetchBaseQueryError
  >,
  tagTypes: ['Session', 'Outline', 'Titles', 'Links', 'Words'],
  endpoints: (build) => ({
    session: build.query<SessionInfo, void>({ query: () => '/session', providesTags: ['Session'] }),
    makeAccount: build.mutation<SessionInfo, { name: string; passphrase: string }>({
      query: (body) => ({ url: '/accounts', method: 'POST', body }),
    }),
    signIn: build.mutation<SessionInfo, { name: string; passphrase: string }>({
      query: (body) => ({ url: '/session', method: 'POST', body }),
    }),
    openDemo: build.mutation<SessionInfo, void>({ query: () => ({ url: '/session/demo', method: 'POST' }) }),
    signOut: build.mutation<void, void>({ query: () => ({ url: '/session', method: 'DELETE' }) }),
    changePassphrase: build.mutation<void, { present: string; next: string }>({
      query: (body) => ({ url: '/account/passphrase', method: 'PUT', body }),
    }),
    notebooks: build.query<ContentsEntry[], void>({ query: () => '/notebooks', providesTags: ['Outline'] }),
    entry: build.query<EntryInfo, string>({
      query: (id) => `/entries/${id}`,
      providesTags: ['Outline', 'Titles'],
    }),
    contents: build.query<ContentsEntry[], string>({
      query: (id) => `/entries/${id}/contents`,
      providesTags: ['Outline'],
    }),
    makeEntry: build.mutation<Target, NewEntry>({
      query: (body) => ({ url: '/entries', method: 'POST', body }),
      invalidatesTags: ['Outline', 'Titles'],
    }),
    changeEntry: build.mutation<
      void,
      { id: string; changes: Partial<Pick<EntryInfo, 'name' | 'pigment' | 'ornament' | 'description'>> }
    >({
      query: ({ id, changes }) => ({ url: `/entries/${id}`, method: 'PATCH', body: changes }),
      invalidatesTags: ['Outline', 'Titles'],
    }),
    deleteEntry: build.mutation<void, string>({
      query: (id) => ({ url: `/entries/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Outline', 'Titles', 'Links'],
    }),
    restoreEntry: build.mutation<void, string>({
      query: (id) => ({ url: `/entries/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['Outline', 'Titles', 'Links'],
    }),
    targets: build.query<Target[], string[]>({ query: (ids) => `/targets?ids=${ids.join(',')}` }),
    blockPlace: build.query<{ pageId: string | null; blockId: string | null }, string>({
      query: (id) => `/blocks/${id}`,
    }),
    page: build.query<PageInfo, string>({ query: (id) => `/pages/${id}`, providesTags: ['Titles'] }),
    margin: build.query<MarginInfo, string>({
      query: (id) => `/pages/${id}/margin`,
      providesTags: ['Links', 'Titles'],
    }),
    day: build.query<DayInfo, string>({ query: (day) => `/journal/days/${day}`, providesTags: ['Links'] }),
    daysBefore: build.query<DayInfo[], { before: string; limit: number }>({
      query: ({ before, limit }) => `/journal/days?before=${before}&limit=${limit}`,
      providesTags: ['Words'],
    }),
    week: build.query<{ day: string; wordCount: number }[], string>({
      query: (day) => `/journal/week?day=${day}`,
      providesTags: ['Words'],
    }),
    find: build.query<Finding[], string>({
      query: (typed) => `/find?q=${encodeURIComponent(typed)}`,
      keepUnusedDataFor: 5,
    }),
    names: build.query<Target[], string>({
      query: (typed) => `/names?q=${encodeURIComponent(typed)}`,
      keepUnusedDataFor: 5,
    }),
    recent: build.query<Target[], void>({ query: () => '/recent', providesTags: ['Titles', 'Words'] }),
    takeIn: build.mutation<ImportReport, { files: { path: string; text: string }[] }>({
      query: (body) => ({ url: '/imports', method: 'POST', body }),
      invalidatesTags: ['Outline', 'Titles', 'Links', 'Words'],
    }),
  }),
});

export const {
  useSessionQuery,
  useMakeAccountMutation,
  useSignInMutation,
  useOpenDemoMutation,
  useSignOutMutation,
  useChangePassphraseMutation,
  useNotebooksQuery,
  useEntryQuery,
  useContentsQuery,
  useMakeEntryMutation,
  useChangeEntryMutation,
  useDeleteEntryMutation,
  useRestoreEntryMutation,
  useBlockPlaceQuery,
  usePageQuery,
  useMarginQuery,
  useDayQuery,
  useDaysBeforeQuery,
  useWeekQuery,
  useFindQuery,
  useNamesQuery,
  useRecentQuery,
  useTakeInMutation,
} = api;
