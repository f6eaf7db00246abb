import { useContext, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { dayId, dayTitleWithYear } from '@glossarion/core/journal';
import type { Offer } from '@glossarion/core/pickables';
import type { LinkableLine, Target } from '@glossarion/core/links';
import { useDayTyped } from '../state/typedDay';
import { useLinesQuery, useNamesQuery, useRecentQuery } from '../state/api';
import { useAppSelector } from '../state/store';
import { AccountContext } from '../state/AccountContext';
import { namesCame, pick, subscribeToNames, type PickAnswer } from '../state/pickables';

/** What a link being written can lead to. */
export interface Picked {
  offers: Offer[];
  near: Offer[];
  isThere: boolean;
  /** Lines of a page whose name was typed whole, with what was typed past it. */
  lines: { page: Offer; lines: LinkableLine[] } | null;
  /** The day that was typed. */
  day: Offer | null;
  isPending: boolean;
}

const asOffer = (target: Target): Offer[] =>
  target.kind === 'block' || target.kind === 'tag' ? [] : [{ ...target, kind: target.kind, alias: null }];

/** Asks what fits what was typed: the names held in this window, or the server while those are on their way. */
export function usePicked(
  typed: string,
  place: { pageId: string; trail: readonly { id: string }[] },
  selected: string | null,
): Picked {
  const account = useContext(AccountContext);
  const { data: recent } = useRecentQuery();
  const [answer, setAnswer] = useState<{ typed: string; found: PickAnswer | null } | null>(null);
  const trailKey = place.trail.map(({ id }) => id).join(' ');
  const context = useMemo(
    () => ({
      pageId: place.pageId,
      trail: trailKey === '' ? [] : trailKey.split(' '),
      recent: (recent ?? []).map(({ id }) => id),
      selected,
    }),
    [place.pageId, trailKey, recent, selected],
  );
  const came = useSyncExternalStore(subscribeToNames, namesCame);
  useEffect(() => {
    let isStale = false;
    void pick(typed, context).then((found) => {
      if (!isStale) setAnswer({ typed, found });
    });
    return () => {
      isStale = true;
    };
  }, [typed, context, came]);

  const isAnswered = answer?.typed === typed;
  const needsServer = isAnswered && answer.found === null;
  const { currentData: named } = useNamesQuery(typed, { skip: !needsServer || typed === '' });
  const known = useAppSelector((state) => state.targets.known);
  const within = isAnswered ? (answer.found?.within ?? null) : null;
  const { currentData: lines } = useLinesQuery(
    { id: within?.page.id ?? '', typed: within?.rest ?? '' },
    { skip: !within },
  );
  const dayFound = useDayTyped(typed);
  const day = useMemo(
    () => (dayFound === null ? null : dayOffer(dayId(account.id, dayFound), dayFound, known)),
    [dayFound, account.id, known],
  );

  const found = isAnswered ? answer.found : null;
  const fallback = (typed === '' ? (recent ?? []) : (named ?? [])).flatMap(asOffer);
  return {
    offers: found?.offers ?? (needsServer ? fallback.filter(({ id }) => id !== place.pageId) : []),
    near: found?.near ?? [],
    isThere: found?.isThere ?? fallback.some(({ kind, title }) => kind === 'page' && title === typed),
    lines: within && lines && lines.length > 0 ? { page: within.page, lines } : null,
    day,
    isPending: typed !== '' && !(found ?? (needsServer && named)),
  };
}

const dayOffer = (id: string, day: string, known: Record<string, Target>): Offer => ({
  id,
  kind: 'page',
  pageId: id,
  title: dayTitleWithYear(day),
  state: known[id]?.state ?? 'unwritten',
  season: 'now',
  trail: [],
  pigment: null,
  day,
  standsIn: 'journal',
  alias: null,
});
