import { createApi, fetchBaseQuery, type BaseQueryFn, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import type { TaskState } from '@glossarion/core/document';
import type { MarginFilter, MarginPage } from '@glossarion/core/margin';
import type { Act } from '@glossarion/core/acts';
import type { Season, Contents, ContentsEntry, EntryInfo } from '@glossarion/core/outline';
import type { AlsoNamedLines } from '@glossarion/core/alsoNamed';
import type { BinnedEntry, Breaks } from '@glossarion/core/bin';
import type { Desk as DeskInfo } from '@glossarion/core/desk';
import type { Finding } from '@glossarion/core/find';
import type { ImportReport } from '@glossarion/core/formats/markdown';
import type { KinFound } from '@glossarion/core/kin';
import type { Glimpse, LinkableLine, Target } from '@glossarion/core/links';
import type { TemplateInfo } from '@glossarion/core/templates';
import type { ActsDone, DayInfo, PageInfo, SessionInfo, SettingsInfo } from './types';

const base = fetchBaseQuery({ baseUrl: '/api' });

/** Problem details carry a sentence for people as their detail. */
export function problemSentence(error: unknown): string {
  const { status, data } = (error ?? {}) as { status?: unknown; data?: { detail?: unknown } };
  if (typeof data?.detail === 'string') return data.detail;
  if (status === 'FETCH_ERROR') return 'The server can’t be reached. What you wrote is kept here; try again.';
  return 'That did not work. Nothing was changed; try again.';
}

/** The values that are given, as a query. */
const asQuery = (wish: object): string =>
  new URLSearchParams(
    Object.entries(wish).flatMap(([key, value]) =>
      value === undefined || value === null || value === false ? [] : [[key, String(value)]],
    ),
  ).toString();

export const api = createApi({
  reducerPath: 'api',
  baseQuery: base as BaseQueryFn<
    string | { url: string; method?: string; body?: unknown },
    unknown,
    FetchBaseQueryError
  >,
  tagTypes: ['Session', 'Outline', 'Folds', 'Titles', 'Links', 'Words', 'Desk', 'Settings', 'AlsoNamed', 'Kin'],
  endpoints: (build) => ({
    session: build.query<SessionInfo, void>({ query: () => '/session', providesTags: ['Session'] }),
    makeAccount: build.mutation<SessionInfo, { name: string; passphrase: string; invitation?: string }>({
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
    contents: build.query<Contents, string>({
      query: (id) => `/entries/${id}/contents`,
      providesTags: ['Outline', 'Folds'],
    }),
    beneath: build.query<ContentsEntry[], { id: string; levels: number }>({
      query: ({ id, levels }) => `/entries/${id}/beneath?levels=${levels}`,
      providesTags: ['Outline', 'Titles'],
    }),
    fold: build.mutation<void, { id: string; isOpen: boolean; season?: Season }>({
      query: ({ id, ...body }) => ({ url: `/entries/${id}/fold`, method: 'PUT', body }),
      invalidatesTags: ['Folds'],
    }),
    acts: build.mutation<ActsDone, readonly Act[]>({
      query: (acts) => ({ url: '/acts', method: 'POST', body: { acts } }),
      invalidatesTags: ['Outline', 'Titles', 'Links', 'Desk', 'AlsoNamed', 'Kin'],
    }),
    bin: build.query<BinnedEntry[], string>({
      query: (typed) => `/bin?q=${encodeURIComponent(typed)}`,
      providesTags: ['Outline'],
    }),
    breaks: build.query<Breaks, string>({ query: (id) => `/bin/${id}/breaks`, keepUnusedDataFor: 0 }),
    purge: build.mutation<void, string>({
      query: (id) => ({ url: `/bin/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Outline', 'Titles', 'Links', 'Desk'],
    }),
    emptyBin: build.mutation<{ gone: number }, void>({
      query: () => ({ url: '/bin', method: 'DELETE' }),
      invalidatesTags: ['Outline', 'Titles', 'Links', 'Desk'],
    }),
    desk: build.query<DeskInfo, void>({ query: () => '/desk', providesTags: ['Desk', 'Words', 'Titles'] }),
    pins: build.query<Target[], void>({ query: () => '/pins', providesTags: ['Desk', 'Titles'] }),
    visit: build.mutation<void, string>({ query: (id) => ({ url: `/entries/${id}/visits`, method: 'POST' }) }),
    setTaskState: build.mutation<void, { id: string; state: TaskState }>({
      query: ({ id, state }) => ({ url: `/blocks/${id}/state`, method: 'PUT', body: { state } }),
      invalidatesTags: ['Desk', 'Links', 'Words'],
    }),
    settings: build.query<SettingsInfo, void>({ query: () => '/settings', providesTags: ['Settings'] }),
    set: build.mutation<void, { key: keyof SettingsInfo; value: unknown }>({
      query: (body) => ({ url: '/settings', method: 'PUT', body }),
      async onQueryStarted({ key, value }, { dispatch, queryFulfilled }) {
        const patch = dispatch(
          api.util.updateQueryData('settings', undefined, (draft) => {
            Object.assign(draft, { [key]: value });
          }),
        );
        await queryFulfilled.catch(() => patch.undo());
      },
      invalidatesTags: ['Settings'],
    }),
    templates: build.query<TemplateInfo[], void>({ query: () => '/templates', providesTags: ['Outline', 'Titles'] }),
    templateFor: build.query<{ templateId: string | null }, string>({
      query: (id) => `/entries/${id}/template`,
      providesTags: ['Outline'],
    }),
    targets: build.query<Target[], string[]>({ query: (ids) => `/targets?ids=${ids.join(',')}` }),
    blockPlace: build.query<{ pageId: string | null; blockId: string | null }, string>({
      query: (id) => `/blocks/${id}`,
    }),
    page: build.query<PageInfo, string>({ query: (id) => `/pages/${id}`, providesTags: ['Titles'] }),
    margin: build.query<MarginPage, { id: string; from?: number; limit?: number; hasFacets?: boolean } & MarginFilter>({
      query: ({ id, ...wish }) => `/pages/${id}/margin?${asQuery(wish)}`,
      providesTags: ['Links', 'Titles'],
    }),
    alsoNamed: build.query<AlsoNamedLines, { id: string; limit: number }>({
      query: ({ id, limit }) => `/pages/${id}/alsoNamed?limit=${limit}`,
      providesTags: ['AlsoNamed', 'Links', 'Titles'],
    }),
    kin: build.query<KinFound, string>({ query: (id) => `/pages/${id}/kin`, providesTags: ['Kin', 'Links', 'Titles'] }),
    glimpse: build.query<Glimpse, string>({
      query: (id) => `/glimpses/${id}`,
      providesTags: ['Titles', 'Words', 'Links'],
      keepUnusedDataFor: 20,
    }),
    lines: build.query<LinkableLine[], { id: string; typed: string }>({
      query: ({ id, typed }) => `/pages/${id}/lines?q=${encodeURIComponent(typed)}`,
      keepUnusedDataFor: 5,
    }),
    webTitle: build.query<{ title: string | null }, string>({
      query: (address) => `/web-title?address=${encodeURIComponent(address)}`,
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
    recent: build.query<Target[], void>({ query: () => '/recent', providesTags: ['Titles', 'Words', 'Desk'] }),
    importProgress: build.query<{ id: string; done: number; total: number }, string>({
      query: (id) => `/imports/${id}`,
      keepUnusedDataFor: 0,
    }),
    stopImport: build.mutation<void, string>({ query: (id) => ({ url: `/imports/${id}`, method: 'DELETE' }) }),
    takeIn: build.mutation<ImportReport, { id: string; files: { path: string; text: string }[] }>({
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
  useBeneathQuery,
  useFoldMutation,
  useBinQuery,
  useBreaksQuery,
  usePurgeMutation,
  useEmptyBinMutation,
  useDeskQuery,
  usePinsQuery,
  useSetTaskStateMutation,
  useSettingsQuery,
  useSetMutation,
  useBlockPlaceQuery,
  usePageQuery,
  useMarginQuery,
  useAlsoNamedQuery,
  useKinQuery,
  useGlimpseQuery,
  useLinesQuery,
  useDayQuery,
  useDaysBeforeQuery,
  useWeekQuery,
  useFindQuery,
  useNamesQuery,
  useRecentQuery,
  useTakeInMutation,
  useImportProgressQuery,
  useStopImportMutation,
  useTemplatesQuery,
} = api;
