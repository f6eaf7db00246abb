import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { addDays, localDay } from '@glossarion/core/journal';
import type { MarginFilter } from '@glossarion/core/margin';
import { api, useSetMarginMutation, useSettingsQuery } from '../../state/api';
import { store } from '../../state/store';
import type { MarginView } from '../../state/types';

const AS_IT_COMES: MarginView = {};
const DAYS_BACK: Record<NonNullable<MarginView['since']>, number> = { week: 7, month: 31, year: 366 };

/** So long what was chosen here counts at least, and until it has come back, in milliseconds. */
const OWN_COUNTS = 900;
const OWN_COUNTS_AT_MOST = 8_000;

/** How the Margin of a page is shown: grouped, filtered, folded, put away. Remembered for each page. */
export function useMarginView(pageId: string): [MarginView, (changes: MarginView) => void] {
  const { data: settings } = useSettingsQuery();
  const [set] = useSetMarginMutation();
  const [own, setOwn] = useState<MarginView | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const latest = useRef<MarginView>(AS_IT_COMES);
  const view = own ?? settings?.margins?.[pageId] ?? AS_IT_COMES;
  latest.current = view;

  useEffect(() => () => void (timer.current && clearTimeout(timer.current)), []);

  const change = useCallback(
    (changes: MarginView) => {
      const next = Object.fromEntries(
        Object.entries({ ...latest.current, ...changes }).filter(([, value]) => Boolean(value)),
      ) as MarginView;
      latest.current = next;
      setOwn(next);
      void set({ pageId, view: next });
      if (timer.current) clearTimeout(timer.current);
      const letGo = (waited: number) => {
        const isBack = isSame(stored(pageId), next);
        if (isBack || waited >= OWN_COUNTS_AT_MOST) setOwn(null);
        else timer.current = setTimeout(() => letGo(waited + OWN_COUNTS), OWN_COUNTS);
      };
      timer.current = setTimeout(() => letGo(OWN_COUNTS), OWN_COUNTS);
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
