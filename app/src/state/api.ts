import { createApi, fetchBaseQuery, type BaseQueryFn, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import type { GlossOrder, MarginFilter, MarginPage } from '@glossarion/core/margin';
import type { Act } from '@glossarion/core/acts';
import type { Season, Contents, ContentsEntry, EntryInfo } from '@glossarion/core/outline';
import type { AlsoNamedLines } from '@glossarion/core/alsoNamed';
import { OUTERMOST, TOLD_HEADER } from '@glossarion/core/notices';
import type { BinnedEntry, Breaks } from '@glossarion/core/bin';
import type { Desk as DeskInfo } from '@glossarion/core/desk';
import type { AroundDay, CalendarDay, PeriodPage } from '@glossarion/core/journal';
import type { KinFound } from '@glossarion/core/kin';
import type { Glimpse, LinkableLine, Target } from '@glossarion/core/links';
import type { Tag as StoredTag } from '@glossarion/core/tags';
import type { BroughtForward, Gathering, TaskCounts, TaskList } from '@glossarion/core/tasks';
import type { Tray } from '@glossarion/core/tray';
import type { TemplateInfo } from '@glossarion/core/templates';
import { noteAnswer } from './told';
import type { ActsDone, DayInfo, MarginView, PageInfo, SessionInfo, SettingsInfo } from './types';

const fetchAnswer = fetchBaseQuery({ baseUrl: '/api' });

/** While the server is known to be out of reach an answer is waited for no longer than this, in milliseconds. */
const OFFLINE_WAIT = 1_500;

/** What can't be done without the server says so at once. */
const base: typeof fetchAnswer = async (asked, query, more) => {
  const { view } = query.getState() as { view?: { saving?: string } };
  const wish = typeof asked === 'string' ? { url: asked } : asked;
  const answer = await fetchAnswer(view?.saving === 'offline' ? { ...wish, timeout: OFFLINE_WAIT } : wish, query, more);
  noteAnswer(answer.meta?.response?.headers.get(TOLD_HEADER) ?? null);
  return answer;
};

/** Whether an error says that the server was not reached, and not that it refused. */
export function isUnreached(error: unknown): boolean {
  const { status } = (error ?? {}) as { status?: unknown };
  return status === 'FETCH_ERROR' || status === 'TIMEOUT_ERROR';
}

export const UNREACHED = 'The server can’t be reached, so this can’t be done now. What you wrote is kept here.';

/** Problem details carry a sentence for people as their detail. */
export function problemSentence(error: unknown): string {
  const { data } = (error ?? {}) as { data?: { detail?: unknown } };
  if (typeof data?.detail === 'string') return data.detail;
  return isUnreached(error) ? UNREACHED : 'That did not work. Nothing was changed; try again.';
}

/** The values that are given, as a query. */
export const asQuery = (wish: object): string =>
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

/** Which tasks are listed, and from where on. */
export interface TaskWish {
  today: string;
  by: Gathering;
  group?: string;
  of?: string;
  where?: keyof TaskCounts;
  only?: 'repeat' | 'putOff';
  from: number;
  limit: number;
}

type Tag = 'Outline' | 'Folds' | 'Titles' | 'Links' | 'AlsoNamed' | 'Kin' | 'Tasks' | 'Tray';

/** What an answer shows, by the ids of what it is of: it is asked for again when one of them is told of. */
export const tagged = (type: Tag, ...lists: (readonly string[])[]) =>
  [...new Set(lists.flat())].map((id) => ({ type, id }));

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
        ...[...found.tasks, ...found.due].map(({ page }) => page),
        ...found.forgotten.map(({ target }) => target),
        ...found.unwritten.map(({ target }) => target),
      ])
    : [];

/** Lines of other pages that are shown at a page. */
export const linesOf = (
  id: string,
  lines: readonly { pageId: string; trail: readonly { id: string }[] }[] | undefined,
) => [
  ...tagged('Links', [id], lines?.map(({ pageId }) => pageId) ?? []),
  ...tagged('Titles', [id], lines?.flatMap(({ pageId, trail }) => [pageId, ...ids(trail)]) ?? []),
];

/** The most characters of acts that are sent to their end though the page is left meanwhile: a browser grants 64 KB in all. */
const OUTLIVING = 2_000;
const isShort = (acts: readonly Act[]): boolean => JSON.stringify(acts).length <= OUTLIVING;

export const api = createApi({
  reducerPath: 'api',
  baseQuery: base as BaseQueryFn<
    string | { url: string; method?: string; body?: unknown; keepalive?: boolean },
    unknown,
    FetchBaseQueryError
  >,
  refetchOnReconnect: true,
  tagTypes: [
    'Session',
    'Outline',
    'Folds',
    'Titles',
    'Links',
    'Words',
    'Desk',
    'Settings',
    'AlsoNamed',
    'Kin',
    'Tasks',
    'Tray',
    'Tags',
    'Kinds',
    'Found',
    'Searches',
    'Works',
  ],
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
    tags: build.query<(StoredTag & { path: string })[], void>({ query: () => '/tags', providesTags: ['Tags'] }),
    beneath: build.query<Omit<ContentsEntry, 'isOpen'>[], { id: string; levels: number }>({
      query: ({ id, levels }) => `/entries/${id}/beneath?levels=${levels}`,
      providesTags: (found, _error, { id }) => [...tagged('Outline', [id]), ...tagged('Titles', ids(found))],
    }),
    fold: build.mutation<void, { id: string; isOpen: boolean; season?: Season }>({
      query: ({ id, ...body }) => ({ url: `/entries/${id}/fold`, method: 'PUT', body }),
      invalidatesTags: ['Folds'],
    }),
    acts: build.mutation<ActsDone, readonly Act[]>({
      query: (acts) => ({ url: '/acts', method: 'POST', body: { acts }, keepalive: isShort(acts) }),
      // A task changes nothing else than what is shown of tasks, and is told of.
      invalidatesTags: (_done, _error, acts) =>
        acts.every((act) => act.do === 'setTask')
          ? ['Tasks']
          : ['Outline', 'Titles', 'Links', 'Desk', 'AlsoNamed', 'Kin', 'Tasks', 'Tray'],
    }),
    bin: build.query<BinnedEntry[], string>({
      query: (typed) => `/bin?q=${encodeURIComponent(typed)}`,
      providesTags: ['Outline'],
    }),
    breaks: build.query<Breaks, string>({ query: (id) => `/bin/${id}/breaks`, keepUnusedDataFor: 0 }),
    purge: build.mutation<void, string>({
      query: (id) => ({ url: `/bin/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Outline', 'Titles', 'Links', 'Desk', 'Tray'],
    }),
    emptyBin: build.mutation<{ gone: number }, void>({
      query: () => ({ url: '/bin', method: 'DELETE' }),
      invalidatesTags: ['Outline', 'Titles', 'Links', 'Desk'],
    }),
    desk: build.query<DeskInfo, void>({
      query: () => '/desk',
      providesTags: (found) => ['Desk', 'Words', 'Tasks', 'Tray', ...tagged('Titles', deskIds(found))],
    }),
    pins: build.query<Target[], void>({
      query: () => '/pins',
      providesTags: (found) => ['Desk', ...tagged('Titles', targetIds(found))],
    }),
    visit: build.mutation<void, string>({ query: (id) => ({ url: `/entries/${id}/visits`, method: 'POST' }) }),
    brought: build.query<BroughtForward, { day: string; today: string; isWhole: boolean }>({
      query: ({ day, today, isWhole }) => `/tasks/brought?${asQuery({ day, today, older: isWhole })}`,
      providesTags: (found) => ['Tasks', 'Tray', ...tagged('Titles', targetIds(found?.tasks.map(({ page }) => page)))],
    }),
    tasks: build.query<TaskList, TaskWish>({
      query: (wish) => `/tasks?${asQuery(wish)}`,
      providesTags: (found) => ['Tasks', ...tagged('Titles', targetIds(found?.tasks.map(({ page }) => page)))],
      keepUnusedDataFor: 20,
    }),
    tasksDue: build.query<{ count: number }, string>({
      query: (today) => `/tasks/due?today=${today}`,
      providesTags: ['Tasks'],
    }),
    pageTasks: build.query<TaskCounts, string>({
      query: (id) => `/pages/${id}/tasks`,
      providesTags: ['Tasks'],
    }),
    tray: build.query<Tray, void>({ query: () => '/tray', providesTags: ['Tray', 'Tasks', 'Words'] }),
    trayWaiting: build.query<{ count: number }, string>({
      query: (today) => `/tray/waiting?today=${today}`,
      providesTags: ['Tray'],
    }),
    periods: build.query<PeriodPage[], string>({
      query: (periods) => `/journal/periods/${periods}`,
      providesTags: (found) => ['Words', ...tagged('Titles', found?.map(({ pageId }) => pageId) ?? [])],
    }),
    calendarAddress: build.query<{ madeAt: string | null }, void>({
      query: () => '/calendar/address',
      providesTags: ['Settings'],
    }),
    makeCalendarAddress: build.mutation<{ address: string }, void>({
      query: () => ({ url: '/calendar/address', method: 'POST', body: {} }),
      invalidatesTags: ['Settings'],
    }),
    revokeCalendarAddress: build.mutation<void, void>({
      query: () => ({ url: '/calendar/address', method: 'DELETE' }),
      invalidatesTags: ['Settings'],
    }),
    settings: build.query<SettingsInfo, void>({ query: () => '/settings', providesTags: ['Settings'] }),
    set: build.mutation<void, { key: keyof SettingsInfo; value: unknown }>({
      query: (body) => ({ url: '/settings', method: 'PUT', body, keepalive: true }),
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
    /** How the Margin of a page was left. It outlives the page it is said on, which may be reloaded at once. */
    setMargin: build.mutation<void, { pageId: string; view: MarginView }>({
      query: ({ pageId, view }) => ({
        url: `/settings/margins/${pageId}`,
        method: 'PUT',
        body: view,
        keepalive: true,
      }),
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
    /** `asking` tells one asking from another: each has an answer of its own. */
    targets: build.query<Target[], { ids: string[]; asking: number }>({
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
      providesTags: ['Words', 'Tasks'],
    }),
    daysAfter: build.query<DayInfo[], { after: string; until: string; limit: number }>({
      query: (span) => `/journal/days?${asQuery(span)}`,
      providesTags: ['Words', 'Tasks'],
    }),
    calendar: build.query<CalendarDay[], { from: string; to: string }>({
      query: (span) => `/journal/calendar?${asQuery(span)}`,
      providesTags: ['Words', 'Tasks'],
    }),
    around: build.query<AroundDay, string>({
      query: (day) => `/journal/days/${day}/around`,
      providesTags: (found) => [
        'Words',
        'Tasks',
        'Outline',
        ...tagged(
          'Titles',
          targetIds(found && [...found.begun, ...found.changed, ...found.done.map(({ page }) => page)]),
        ),
      ],
    }),
    names: build.query<Target[], string>({
      query: (typed) => `/names?q=${encodeURIComponent(typed)}`,
      keepUnusedDataFor: 5,
    }),
    recent: build.query<Target[], void>({
      query: () => '/recent',
      providesTags: (found) => ['Words', 'Desk', ...tagged('Titles', targetIds(found))],
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
  useBroughtQuery,
  useTasksQuery,
  useTasksDueQuery,
  useCalendarAddressQuery,
  useMakeCalendarAddressMutation,
  useRevokeCalendarAddressMutation,
  useTrayQuery,
  useTrayWaitingQuery,
  usePeriodsQuery,
  usePageTasksQuery,
  useSettingsQuery,
  useSetMutation,
  useSetMarginMutation,
  useBlockPlaceQuery,
  usePageQuery,
  useMarginQuery,
  useAlsoNamedQuery,
  useKinQuery,
  useGlimpseQuery,
  useLinesQuery,
  useDayQuery,
  useDaysBeforeQuery,
  useDaysAfterQuery,
  useCalendarQuery,
  useAroundQuery,
  useNamesQuery,
  useRecentQuery,
  useTagsQuery,
  useTemplatesQuery,
} = api;
