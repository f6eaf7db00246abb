import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { shownIn, type BodyJson } from '@glossarion/core/document';
import type { Gloss, GlossOrder, MarginFilter } from '@glossarion/core/margin';
import { useAtRest } from '../../kit/Afterwards';
import { api, useKinQuery, useMarginQuery, useAlsoNamedQuery } from '../../state/api';
import { store, useAppSelector, wantTargets } from '../../state/store';
import type { MarginView } from '../../state/types';
import { useMarginFilter, useMarginView } from './marginView';
import {
  glossKey,
  isSameLines,
  lineWordsOf,
  linesOf,
  stackId,
  stacksOf,
  type HeldGloss,
  type PageLines,
  type ShownStack,
} from './stacks';

/** How many glosses are read at once; the stacks of older ones are read as they open. */
export const BESIDE = 200;

/** A line of the page by its first words. */
export interface LineChoice {
  id: string;
  words: string;
}

const CHOICE_WORDS = 80;

/** Everything the Margin of a page shows, and how it is shown. */
export interface MarginState {
  pageId: string;
  /** The text of the page as it was a moment ago. */
  body: BodyJson | null;
  /** All glosses by the lines they stand beside, in the order of the page. */
  stacks: readonly ShownStack[];
  /** By the ids of lines, the id of the element that holds their glosses. */
  spokenOf: ReadonlyMap<string, string>;
  /** Those that were read, the first of all. */
  glosses: readonly Gloss[];
  /** All lines that point here, and those that the filter leaves. */
  total: number;
  count: number;
  /** Whether it is known yet what points here. */
  isKnown: boolean;
  /** Lines that name the page without a link, and pages alike. */
  alsoNamed: number;
  kin: number;
  filter: MarginFilter;
  order: GlossOrder;
  view: MarginView;
  change: (changes: MarginView) => void;
  /** The lines of the page that a gloss can be set beside, as they are now. */
  lines: () => LineChoice[];
  /** What was written in a line is done: glosses may speak to other lines now. */
  renew: () => void;
  /** Keeps a gloss that is written in where it stands, until what is given back is called. */
  hold: (gloss: Gloss) => () => void;
}

const NO_GLOSSES: readonly Gloss[] = [];
/** How many lines that name the page, and pages alike, are shown to begin with. */
export const FOOT = 3;

/** What points at a page, each gloss with the line it speaks to, in the order of the page. */
export function useMargin(pageId: string, body: BodyJson | null): MarginState {
  const [view, change] = useMarginView(pageId);
  const filter = useMarginFilter(view);
  const { order = 'newest' } = view;
  const skip = !useAtRest();
  const { data, currentData, refetch } = useMarginQuery({ id: pageId, ...filter, order, limit: BESIDE }, { skip });
  const { currentData: alsoNamed } = useAlsoNamedQuery({ id: pageId, limit: FOOT }, { skip });
  const { currentData: kin } = useKinQuery(pageId, { skip });
  const known = useAppSelector((state) => state.targets.known);
  const info = currentData ?? data;
  const renew = useRenewal(pageId, body, skip ? null : refetch);

  useEffect(() => {
    if (!body) return;
    const missing = shownIn(body.content).filter((id) => !known[id]);
    wantTargets(missing);
    // Only what the body names decides what is asked for.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [body]);

  const lines = useLines(body);
  const [held, setHeld] = useState<HeldGloss | null>(null);
  // The words of a line are those it had when its glosses were set beside it.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const stacks = useMemo(() => stacksOf(info, lines, body, held), [info, lines, held, known]);
  const latest = useRef({ body, stacks });
  latest.current = { body, stacks };
  const hold = useCallback((gloss: Gloss) => {
    const key = glossKey(gloss);
    const stack = latest.current.stacks.find(({ glosses }) => glosses.includes(gloss));
    if (stack) setHeld({ gloss: key, stack: stack.key, order: stack.glosses.map(glossKey) });
    // Another may be written in by then.
    return () => setHeld((before) => (before?.gloss === key ? null : before));
  }, []);
  const choices = useCallback(
    () =>
      (latest.current.body?.content ?? []).map((node) => ({
        id: String(node.attrs?.id),
        words: lineWordsOf(node).slice(0, CHOICE_WORDS),
      })),
    [],
  );
  const spoken = stacks.flatMap(({ lineId }) => lineId ?? []).join(' ');
  const spokenOf = useMemo(
    () => new Map((spoken === '' ? [] : spoken.split(' ')).map((id) => [id, stackId(id)] as const)),
    [spoken],
  );
  return useMemo(
    () => ({
      pageId,
      body,
      stacks,
      spokenOf,
      glosses: info?.glosses ?? NO_GLOSSES,
      total: info?.total ?? 0,
      count: info?.count ?? 0,
      isKnown: info !== undefined,
      alsoNamed: alsoNamed?.count ?? 0,
      kin: kin?.kin.length ?? 0,
      filter,
      order,
      view,
      change,
      lines: choices,
      renew,
      hold,
    }),
    [pageId, body, stacks, spokenOf, info, alsoNamed, kin, filter, order, view, change, choices, renew, hold],
  );
}

/** The lines of a body; the same as long as none comes, goes or moves, whatever is written in them. */
function useLines(body: BodyJson | null): PageLines {
  const last = useRef<PageLines | null>(null);
  return useMemo(() => {
    const lines = linesOf(body);
    if (last.current && isSameLines(last.current, lines)) return last.current;
    return (last.current = lines);
  }, [body]);
}

/** Has the places of glosses found anew when something was written since, as soon as the server has it. */
function useRenewal(pageId: string, body: BodyJson | null, refetch: (() => void) | null): () => void {
  const written = useRef(false);
  const seen = useRef(body);
  useEffect(() => {
    if (seen.current !== null && seen.current !== body) written.current = true;
    seen.current = body;
  }, [body]);
  const latest = useRef(refetch);
  latest.current = refetch;
  const waiting = useRef<(() => void) | null>(null);
  const isGone = useRef(false);
  // Before what stands beside the text says that its line was left: nothing is asked for a page that is no longer shown.
  useLayoutEffect(() => {
    isGone.current = false;
    return () => {
      isGone.current = true;
      waiting.current?.();
      // Whoever comes back soon is not shown it as it stood before.
      if (written.current) setTimeout(() => store.dispatch(api.util.invalidateTags([{ type: 'Links', id: pageId }])));
    };
  }, [pageId]);
  return useCallback(() => {
    if (isGone.current || !written.current || waiting.current) return;
    const go = () => {
      if (store.getState().view.saving !== 'saved') return false;
      waiting.current?.();
      waiting.current = null;
      written.current = false;
      latest.current?.();
      return true;
    };
    if (!go()) waiting.current = store.subscribe(go);
  }, []);
}
