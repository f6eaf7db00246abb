import { combineReducers, configureStore, createAction, type ThunkAction, type UnknownAction } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { useDispatch, useSelector } from 'react-redux';
import type { Target } from '@glossarion/core/links';
import { api } from './api';
import { targetsReducer } from './targets';
import { keepView } from './keptView';
import { keepDeeds, keptDeeds } from './keptDeeds';
import { deedsRecalled, viewReducer } from './view';

const reducers = combineReducers({ [api.reducerPath]: api.reducer, targets: targetsReducer, view: viewReducer });

/** Somebody's session is over: nothing of theirs stays in this window. */
export const accountLeft = createAction('accountLeft');

export const store = configureStore({
  reducer: (state: Parameters<typeof reducers>[0], action) =>
    reducers(accountLeft.match(action) ? undefined : state, action),
  middleware: (getDefault) => getDefault({ serializableCheck: false, immutableCheck: false }).concat(api.middleware),
});

let kept = store.getState().view;
/** Whose deeds are kept. */
let keptFor: string | null = null;
/** When those were done that were taken back here: no other window brings them again. */
const gone = new Set<number>();

/** Brings the deeds of an account's last day, and keeps those that follow. */
export function recallDeeds(accountId: string): void {
  if (keptFor === accountId) return;
  keptFor = accountId;
  store.dispatch(deedsRecalled(keptDeeds(accountId)));
}

store.subscribe(() => {
  const { view } = store.getState();
  if (keptFor && view.deeds !== kept.deeds) {
    for (const { at } of kept.deeds) if (!view.deeds.some((each) => each.at === at)) gone.add(at);
    keepDeeds(keptFor, view.deeds, gone);
  }
  const isSame = (['besideId', 'isContentsAway', 'isMarginAway'] as const).every((each) => view[each] === kept[each]);
  kept = view;
  if (!isSame) keepView(view);
});

/** What the library does when a network is back; here it is the server that is. */
let back: () => UnknownAction;
setupListeners(store.dispatch, (_dispatch, { onOnline }) => {
  back = onOnline;
  return () => undefined;
});

export type RootState = ReturnType<typeof store.getState>;
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();

export const targetOf = (id: string): Target | undefined => store.getState().targets.known[id];

/** A query that was begun. */
interface Asking<T> {
  unwrap: () => Promise<T>;
  unsubscribe: () => void;
}

/** Asks the server, though it may have answered before. */
export const FRESH = { forceRefetch: true } as const;

/**
 * Asks once. An answer that nobody holds on to is let go of as soon as something is told of it, even before it was
 * looked at: it is held until it is here.
 *
 * @throws what the server said when it refused, or that it can't be reached (problemSentence)
 */
export async function ask<T>(query: ThunkAction<Asking<T>, RootState, unknown, UnknownAction>): Promise<T> {
  const asking = store.dispatch(query);
  try {
    return await asking.unwrap();
  } finally {
    asking.unsubscribe();
  }
}

let wanted = new Set<string>();

/** What could not be fetched is asked for again after so long, in milliseconds, and each time after twice as long. */
const AGAIN_AFTER = 1_000;
const AGAIN_AT_LAST = 30_000;
let againAfter = AGAIN_AFTER;
/** What could not be fetched and is asked for again when its time has come, however often it is wanted until then. */
const failed = new Set<string>();

/** Whether the server refused; else it may have an answer later: it was not reached, was late or could not do it now. */
const isRefused = ({ status }: { status?: unknown }): boolean =>
  Number(status) >= 400 && Number(status) < 500 && status !== 429;

let askings = 0;

/** Asks the server what links show of these ids. */
export const askTargets = (ids: string[]): Promise<Target[]> =>
  ask(api.endpoints.targets.initiate({ ids, asking: (askings += 1) }, FRESH));

async function fetchWanted(): Promise<void> {
  const ids = [...wanted].slice(0, 100);
  // What was wanted while an answer was on its way is asked for by whichever comes first.
  if (ids.length === 0) return;
  wanted = new Set([...wanted].slice(100));
  try {
    await askTargets(ids);
    againAfter = AGAIN_AFTER;
  } catch (error) {
    if (!isRefused(error as { status?: unknown })) {
      ids.forEach((id) => failed.add(id));
      setTimeout(() => gather(ids.filter((id) => failed.has(id))), againAfter);
      againAfter = Math.min(againAfter * 2, AGAIN_AT_LAST);
    }
  }
  if (wanted.size > 0) void fetchWanted();
}

function gather(ids: readonly string[]): void {
  if (ids.length === 0) return;
  if (wanted.size === 0) setTimeout(() => void fetchWanted(), 15);
  for (const id of ids) {
    failed.delete(id);
    wanted.add(id);
  }
}

/** Asks for what links show of these ids, gathered into one request. */
export const wantTargets = (ids: readonly string[]): void => gather(ids.filter((id) => !failed.has(id)));

/**
 * Asks again, at once, for what is shown of these entries and of what stands in them; when none are named, for all that
 * is shown and for what could not be fetched.
 */
export function refreshTargets(ids: readonly string[] | null): void {
  const { known } = store.getState().targets;
  const named = new Set(ids);
  const touched = Object.values(known).filter(
    (target) => ids === null || named.has(target.pageId) || target.trail.some((step) => named.has(step.id)),
  );
  gather([...touched.map((target) => target.id), ...(ids === null ? failed : [])]);
}

/**
 * Asks again for all that is shown, also for what could not be fetched: the server was out of reach and is back since a
 * moment. What was asked before that and is not answered yet may never be, whether the way was known to be cut or not.
 */
export async function askAgain(backAt: number): Promise<void> {
  const { queries } = store.getState().api;
  const lost = store
    .dispatch(api.util.getRunningQueriesThunk())
    .filter(({ queryCacheKey }) => (queries[queryCacheKey]?.startedTimeStamp ?? 0) <= backAt);
  lost.forEach((asking) => asking.abort());
  await Promise.allSettled(lost);
  store.dispatch(back());
  refreshTargets(null);
}
