import { useCallback, useMemo } from 'react';
import { addDays, localDay } from '@glossarion/core/journal';
import type { MarginFilter } from '@glossarion/core/margin';
import { useSetMutation, useSettingsQuery } from '../../state/api';
import type { MarginView } from '../../state/types';

/** Pages whose Margin was left otherwise than it comes are remembered, the latest this many. */
const REMEMBERED = 200;
const AS_IT_COMES: MarginView = {};
const DAYS_BACK: Record<NonNullable<MarginView['since']>, number> = { week: 7, month: 31, year: 366 };

/** How the Margin of a page is shown: grouped, filtered, folded, put away. Remembered for each page. */
export function useMarginView(pageId: string): [MarginView, (changes: MarginView) => void] {
  const { data: settings } = useSettingsQuery();
  const [set] = useSetMutation();
  const margins = settings?.margins;
  const view = margins?.[pageId] ?? AS_IT_COMES;
  const change = useCallback(
    (changes: MarginView) => {
      const next = Object.fromEntries(
        Object.entries({ ...margins?.[pageId], ...changes }).filter(([, value]) => value !== null && value !== false),
      );
      const others = Object.entries(margins ?? {}).filter(([id]) => id !== pageId);
      const kept = Object.keys(next).length > 0 ? [...others, [pageId, next] as const] : others;
      void set({ key: 'margins', value: Object.fromEntries(kept.slice(-REMEMBERED)) });
    },
    [margins, pageId, set],
  );
  return [view, change];
}

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
