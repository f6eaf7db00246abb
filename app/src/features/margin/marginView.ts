import { useCallback, useMemo, useSyncExternalStore } from 'react';
import { addDays, localDay } from '@glossarion/core/journal';
import type { MarginFilter } from '@glossarion/core/margin';
import { api, useSetMarginMutation, useSettingsQuery } from '../../state/api';
import { store } from '../../state/store';
import type { MarginView } from '../../state/types';

const AS_IT_COMES: MarginView = {};
const DAYS_BACK: Record<NonNullable<MarginView['since']>, number> = { week: 7, month: 31, year: 366 };

/** Between looking whether the server has what was chosen here, and how long after it said so, in milliseconds. */
const LOOK_AGAIN = 900;
const LOOK_AT_MOST = 8_000;

/**
 * How Margins were left here while the settings don't say so yet. It counts whatever they say, and outlives what shows
 * it: who chooses next goes on from it.
 */
const chosen = new Map<string, MarginView>();
const watchers = new Set<() => void>();

function choose(pageId: string, view: MarginView | null): void {
  if (view) chosen.set(pageId, view);
  else chosen.delete(pageId);
  for (const watch of watchers) watch();
}

function watchChosen(watch: () => void): () => void {
  watchers.add(watch);
  return () => void watchers.delete(watch);
}

/** How the Margin of a page is shown: grouped, filtered, folded, put away. Remembered for each page. */
export function useMarginView(pageId: string): [MarginView, (changes: MarginView) => void] {
  const { data: settings } = useSettingsQuery();
  const [set] = useSetMarginMutation();
  const own = useSyncExternalStore(watchChosen, () => chosen.get(pageId));
  const view = own ?? settings?.margins?.[pageId] ?? AS_IT_COMES;

  const change = useCallback(
    (changes: MarginView) => {
      const before = chosen.get(pageId) ?? stored(pageId);
      const next = Object.fromEntries(
        Object.entries({ ...before, ...changes }).filter(([, value]) => Boolean(value)),
      ) as MarginView;
      choose(pageId, next);
      const letGo = (waited: number) => {
        if (chosen.get(pageId) !== next) return;
        if (isSame(stored(pageId), next) || waited >= LOOK_AT_MOST) choose(pageId, null);
        else setTimeout(() => letGo(waited + LOOK_AGAIN), LOOK_AGAIN);
      };
      // What the server could not be told holds here for as long as this window is open.
      void set({ pageId, view: next }).then(({ error }) => error ?? setTimeout(() => letGo(0), LOOK_AGAIN));
    },
    [pageId, set],
  );
  return [view, change];
}

const isSame = (one: MarginView, other: MarginView): boolean =>
  JSON.stringify(Object.entries(one).sort()) === JSON.stringify(Object.entries(other).sort());

const stored = (pageId: string): MarginView =>
  api.endpoints.settings.select()(store.getState()).data?.margins?.[pageId] ?? AS_IT_COMES;

/** What of the Margin is asked for. */
export function useMarginFilter(view: MarginView): MarginFilter {
  const { notebook, tag, kind, since, isWithoutAside } = view;
  return useMemo(
    () => ({
      ...(notebook && { notebook }),
      ...(tag && { tag }),
      ...(kind && { kind }),
      ...(since && { since: addDays(localDay(new Date()), -DAYS_BACK[since]) }),
      ...(isWithoutAside && { isWithoutAside }),
    }),
    [notebook, tag, kind, since, isWithoutAside],
  );
}

export const isFiltered = ({ notebook, tag, kind, since, isWithoutAside }: MarginView): boolean =>
  Boolean(notebook || tag || kind || since || isWithoutAside);
