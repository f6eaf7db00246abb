import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { addDays, localDay } from '@glossarion/core/journal';
import type { MarginFilter } from '@glossarion/core/margin';
import { api, useSetMutation, useSettingsQuery } from '../../state/api';
import { store } from '../../state/store';
import type { MarginView } from '../../state/types';

/** Pages whose Margin was left otherwise than it comes are remembered, the latest this many. */
const REMEMBERED = 200;
const AS_IT_COMES: MarginView = {};
const DAYS_BACK: Record<NonNullable<MarginView['since']>, number> = { week: 7, month: 31, year: 366 };

/** Changes are stored one after the other, each upon what the one before left. */
let storing: Promise<unknown> = Promise.resolve();
/** So long what was chosen here counts at least, and until it has come back, in milliseconds. */
const OWN_COUNTS = 900;
const OWN_COUNTS_AT_MOST = 8_000;

/** How the Margin of a page is shown: grouped, filtered, folded, put away. Remembered for each page. */
export function useMarginView(pageId: string): [MarginView, (changes: MarginView) => void] {
  const { data: settings } = useSettingsQuery();
  const [set] = useSetMutation();
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
      storing = storing.then(async () => {
        const others = Object.entries(storedMargins()).filter(([id]) => id !== pageId);
        const kept = Object.keys(next).length > 0 ? [...others, [pageId, next] as const] : others;
        await set({ key: 'margins', value: Object.fromEntries(kept.slice(-REMEMBERED)) });
      });
      if (timer.current) clearTimeout(timer.current);
      const letGo = (waited: number) => {
        const isBack = isSame(storedMargins()[pageId] ?? AS_IT_COMES, next);
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

const storedMargins = (): Record<string, MarginView> =>
  api.endpoints.settings.select()(store.getState()).data?.margins ?? {};

/** What of the Margin is asked for. */
export function useMarginFilter(view: MarginView): MarginFilter {
  const { notebook, tag, since, isWithoutAside } = view;
  return useMemo(
    () => ({
      ...(notebook && { notebook }),
      ...(tag && { tag }),
      ...(since && { since: addDays(localDay(new Date()), -DAYS_BACK[since]) }),
      ...(isWithoutAside && { isWithoutAside }),
    }),
    [notebook, tag, since, isWithoutAside],
  );
}

export const isFiltered = ({ notebook, tag, since, isWithoutAside }: MarginView): boolean =>
  Boolean(notebook || tag || since || isWithoutAside);
