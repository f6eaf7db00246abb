import { combineReducers, configureStore, createAction } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import type { Target } from '@glossarion/core/links';
import { api } from './api';
import { targetsKnown, targetsReducer } from './targets';
import { keepView } from './keptView';
import { viewReducer } from './view';

const reducers = combineReducers({ [api.reducerPath]: api.reducer, targets: targetsReducer, view: viewReducer });

/** Somebody's session is over: nothing of theirs stays in this window. */
export const accountLeft = createAction('accountLeft');

export const store = configureStore({
  reducer: (state: Parameters<typeof reducers>[0], action) =>
    reducers(accountLeft.match(action) ? undefined : state, action),
  middleware: (getDefault) => getDefault({ serializableCheck: false, immutableCheck: false }).concat(api.middleware),
});

let kept = store.getState().view;
store.subscribe(() => {
  const { view } = store.getState();
  const isSame = (['besideId', 'isContentsAway', 'isMarginAway'] as const).every((each) => view[each] === kept[each]);
  kept = view;
  if (!isSame) keepView(view);
});

export type RootState = ReturnType<typeof store.getState>;
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();

export const targetOf = (id: string): Target | undefined => store.getState().targets.known[id];

let wanted = new Set<string>();

async function fetchWanted(): Promise<void> {
  const ids = [...wanted].slice(0, 100);
  // What was wanted while an answer was on its way is asked for by whichever comes first.
  if (ids.length === 0) return;
  wanted = new Set([...wanted].slice(100));
  const request = store.dispatch(api.endpoints.targets.initiate(ids, { subscribe: false, forceRefetch: true }));
  const { data } = await request;
  if (data) store.dispatch(targetsKnown(data));
  if (wanted.size > 0) void fetchWanted();
}

/** Asks for what links show of these ids, gathered into one request. */
export function wantTargets(ids: readonly string[]): void {
  if (ids.length === 0) return;
  if (wanted.size === 0) setTimeout(() => void fetchWanted(), 15);
  ids.forEach((id) => wanted.add(id));
}

/** Asks again for what is shown of these entries and of what stands in them; of everything when none are named. */
export function refreshTargets(ids: readonly string[] | null): void {
  const { known } = store.getState().targets;
  const named = new Set(ids);
  const touched = Object.values(known).filter(
    (target) => ids === null || named.has(target.pageId) || target.trail.some((step) => named.has(step.id)),
  );
  wantTargets(touched.map((target) => target.id));
}
