import { createApi, fetchBaseQuery, type BaseQueryFn, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import type { TaskState } from '@glossarion/core/document';
import type { GlossOrder, MarginFilter, MarginPage } from '@glossarion/core/margin';
import type { Act } from '@glossarion/core/acts';
import type { Season, Contents, ContentsEntry, EntryInfo } from '@glossarion/core/outline';
import type { AlsoNamedLines } from '@glossarion/core/alsoNamed';
import { OUTERMOST } from '@glossarion/core/notices';
import type { BinnedEntry, Breaks } from '@glossarion/core/bin';
import type { Desk as DeskInfo } from '@glossarion/core/desk';
import type { Finding } from '@glossarion/core/find';
import type { ImportReport } from '@glossarion/core/formats/markdown';
import type { KinFound } from '@glossarion/core/kin';
import type { Glimpse, LinkableLine, Target } from '@glossarion/core/links';
import type { Tag as StoredTag } from '@glossarion/core/tags';
import type { TemplateInfo } from '@glossarion/core/templates';
import type { ActsDone, DayInfo, PageInfo, SessionInfo, SettingsInfo } from './types';

const fetchAnswer = fetchBaseQuery({ baseUrl: '/api' });

/** While the server is known to be out of reach an answer is waited for no longer than this, in milliseconds. */
const OFFLINE_WAIT = 1_500;

/** What can't be done without the server says so at once. */
const base: typeof fetchAnswer = (asked, query, more) => {
  const { view } = query.getState() as { view?: { saving?: string } };
  const wish = typeof asked === 'string' ? { url: asked } : asked;
  return fetchAnswer(view?.saving === 'offline' ? { ...wish, timeout: OFFLINE_WAIT } : wish, query, more);
};

/** Problem details carry a sentence for people as their detail. */
export function problemSentence(error: unknown): string {
  const { status, data } = (error ?? {}) as { status?: unknown; data?: { detail?: unknown } };
  if (typeof data?.detail === 'string') return data.detail;
  if (status === 'FETCH_ERROR' || status === 'TIMEOUT_ERROR') {
    return 'The server can’t be reached, so this can’t be done now. What you wrote is kept here.';
  }
  return 'That did not work. Nothing was changed; try again.';
}

/** The values that are given, as a query. */
const asQuery = (wish: object): string =>
  new URLSearchParams(
    Object.entries(wish).flatMap(([key, value]) =>
      value === undefined || value === null || value === false ? [] : [[key, String(value)]],
    ),
  ).toString();

/** What of a page's Margin is asked for: `line` is one it stands beside, or HEAD. */
export interface MarginWish extends MarginFilter {
  id: string;
  from?: number;
  limit?: number;
  hasFacets?: boolean;
  order?: GlossOrder;
  line?: string;
}

type Tag = 'Outline' | 'Folds' | 'Titles' | 'Links' | 'AlsoNamed' | 'Kin';

/** What an answer shows, by the ids of what it is of: it is asked for again when one of them is told of. */
const tagged = (type: Tag, ...lists: (readonly string[])[]) => [...new Set(lists.flat())].map((id) => ({ type, id }));

const ids = (found: readonly { id: string }[] | undefined): string[] => found?.map(({ id }) => id) ?? [];

/** Targets, with all that they are shown to stand in. */
const targetIds = (found: readonly Pick<Target, 'pageId' | 'trail'>[] | undefined): string[] =>
  found?.flatMap(({ pageId, trail }) => [pageId, ...ids(trail)]) ?? [];

const deskIds = (found: DeskInfo | undefined): string[] =>
  found
    ? targetIds([
        ...found.pins,
        ...found.recent,
        ...found.week,
        ...found.tasks.map(({ page }) => page),
        ...found.unwritten.map(({ target }) => target),
      ])
    : [];

/** Lines of other pages that are shown at a page. */
const linesOf = (id: string, lines: readonly { pageId: string; trail: readonly { id: string }[] }[] | undefined) => [
  ...tagged('Links', [id], lines?.map(({ pageId }) => pageId) ?? []),
  ...tagged('Titles', [id], lines?.flatMap(({ pageId, trail }) => [pageId, ...ids(trail)]) ?? []),
];

export const api = createApi({
  reducerPath: 'api',
  baseQuery: base as BaseQueryFn<
    string | { url: string; method?: string; body?: unknown },
    unknown,
    FetchBaseQueryError
  >,
  refetchOnReconnect: true,
  tagTypes: ['Session', 'Outline', 'Folds', 'Titles', 'Links', 'Words', 'Desk', 'Settings', 'AlsoNamed', 'Kin'],
  endpoints: (build) => ({
    session: build.query<SessionInfo, void>({ query: () => '/session', providesTags: ['Session'] }),
    makeAccount: build.mutation<SessionInfo, { name: string; passphrase: string; invitation?: string }>({
      query: (body) => ({ url: '/accounts', method: 'POST', body }),
    }),
    signIn: build.mutation<SessionInfo, { name: string; passphrase: string }>({
      query: (body) => ({ url: '/session', method: 'POST', body }),
    }),
    openDemo: build.mutation<SessionInfo, void>({
      query: () => ({ url: '/session/demo', method: 'POST' }),
      // Who is signed in is in the answer: it need not be asked for.
      onQueryStarted: async (_nothing, { dispatch, queryFulfilled }) => {
        const { data } = await queryFulfilled;
        dispatch(api.util.updateQueryData('session', undefined, (session) => void (session.account = data.account)));
      },
    }),
    signOut: build.mutation<void, void>({ query: () => ({ url: '/session', method: 'DELETE' }) }),
    changePassphrase: build.mutation<void, { present: string; next: string }>({
      query: (body) => ({ url: '/account/passphrase', method: 'PUT', body }),
    }),
    notebooks: build.query<ContentsEntry[], void>({
      query: () => '/notebooks',
      providesTags: () => tagged('Outline', [OUTERMOST]),
    }),
    entry: build.query<EntryInfo, string>({
      query: (id) => `/entries/${id}`,
      providesTags: (found, _error, id) => ['Outline', ...tagged('Titles', [id], ids(found?.trail))],
    }),
    contents: build.query<Contents, string>({
      query: (id) => `/entries/${id}/contents`,
      providesTags: (_found, _error, id) => [...tagged('Outline', [id]), ...tagged('Folds', [id])],
    }),
    tags: build.query<(StoredTag & { path: string })[], void>({ query: () => '/tags' }),
    beneath: build.query<Omit<ContentsEntry, 'isOpen'>[], { id: string; levels: number }>({
      query: ({ id, levels }) => `/entries/${id}/beneath?levels=${levels}`,
      providesTags: (found, _error, { id }) => [...tagged('Outline', [id]), ...tagged('Titles', ids(found))],
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
    desk: build.query<DeskInfo, void>({
      query: () => '/desk',
      providesTags: (found) => ['Desk', 'Words', ...tagged('Titles', deskIds(found))],
    }),
    pins: build.query<Target[], void>({
      query: () => '/pins',
      providesTags: (found) => ['Desk', ...tagged('Titles', targetIds(found))],
    }),
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
    templates: build.query<TemplateInfo[], void>({
      query: () => '/templates',
      providesTags: (found) => ['Outline', ...tagged('Titles', ids(found))],
    }),
    templateFor: build.query<{ templateId: string | null }, string>({
      query: (id) => `/entries/${id}/template`,
      providesTags: ['Outline'],
    }),
    /** `askedAt` tells one asking from another: each has an answer of its own. */
    targets: build.query<Target[], { ids: string[]; askedAt: number }>({
      query: ({ ids }) => `/targets?ids=${ids.join(',')}`,
      keepUnusedDataFor: 0,
    }),
    blockPlace: build.query<{ pageId: string | null; blockId: string | null }, string>({
      query: (id) => `/blocks/${id}`,
    }),
    page: build.query<PageInfo, string>({
      query: (id) => `/pages/${id}`,
      providesTags: (found, _error, id) => tagged('Titles', [id], ids(found?.trail)),
    }),
    margin: build.query<MarginPage, MarginWish>({
      query: ({ id, ...wish }) => `/pages/${id}/margin?${asQuery(wish)}`,
      providesTags: (found, _error, { id }) => linesOf(id, found?.glosses),
    }),
    alsoNamed: build.query<AlsoNamedLines, { id: string; limit: number }>({
      query: ({ id, limit }) => `/pages/${id}/alsoNamed?limit=${limit}`,
      providesTags: (found, _error, { id }) => [...tagged('AlsoNamed', [id]), ...linesOf(id, found?.lines)],
    }),
    kin: build.query<KinFound, string>({
      query: (id) => `/pages/${id}/kin`,
      providesTags: (found, _error, id) => [
        ...tagged('Kin', [id]),
        ...tagged('Links', [id]),
        ...tagged('Titles', targetIds(found?.kin.map(({ target }) => target))),
      ],
    }),
    glimpse: build.query<Glimpse, string>({
      query: (id) => `/glimpses/${id}`,
      providesTags: (found) => [
        'Words',
        ...tagged('Titles', targetIds(found && [found.target])),
        ...tagged('Links', targetIds(found && [found.target])),
      ],
      keepUnusedDataFor: 20,
    }),
    lines: build.query<LinkableLine[], { id: string; typed: string }>({
      query: ({ id, typed }) => `/pages/${id}/lines?q=${encodeURIComponent(typed)}`,
      keepUnusedDataFor: 5,
    }),
    webTitle: build.query<{ title: string | null }, string>({
      query: (address) => `/web-title?address=${encodeURIComponent(address)}`,
    }),
    day: build.query<DayInfo, string>({
      query: (day) => `/journal/days/${day}`,
      providesTags: (found) => tagged('Links', found ? [found.pageId] : []),
    }),
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
    recent: build.query<Target[], void>({
      query: () => '/recent',
      providesTags: (found) => ['Words', 'Desk', ...tagged('Titles', targetIds(found))],
    }),
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
