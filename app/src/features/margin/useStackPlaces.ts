import { useCallback, useLayoutEffect, useRef, useState, type RefObject } from 'react';
import { layoutStacks, SLACK, type StackPlace, type StackWish } from '@glossarion/core/margin';
import { seenRect, writtenBlock, writtenRect } from '../../screen/blockPlace';
import { inPixels } from '../../theme/rem';
import type { ShownStack } from './stacks';

/** How high a closed stack is with two lines and with one, in pixels as they are meant (sheet.ts). */
const CLOSED = 40;
const SHORT = 21;
const GAP = 10;
const HEAD_GAP = 12;
/** No gloss is less high: what can't fit is not drawn to be measured. */
const LEAST_GLOSS = { whole: 40, folded: 19 } as const;
/** How much of the window's height an open stack takes at most. */
const HIGHEST = 0.75;
/** How far the text's line lies beneath the edge of its block. */
const LINE_TOP = 3;

/** What of the stacks was asked for. */
interface StackWishes {
  openedKeys: ReadonlySet<string>;
  presentKey: string | null;
  /** Whether only where glosses come from is shown. */
  isFolded: boolean;
}

/** What changes while somebody writes: lines grow, and those below move, though the text may be as high as before. */
interface Written {
  body: unknown;
  /** The line with the cursor. */
  withCursor: string | null;
}

export interface ColumnLayout {
  /** Where each stack stands, by its key; empty until they were measured. */
  places: ReadonlyMap<string, StackPlace>;
  /** Those that may fit: they are drawn to be measured, though closed. */
  candidates: ReadonlySet<string>;
  /** How much room all of them take. */
  height: number;
  highest: number;
  /** The line whose stack is present, as it lies from the column's corner; null when there is none. */
  mark: LineMark | null;
}

export interface LineMark {
  left: number;
  top: number;
  height: number;
}

const NOWHERE: ColumnLayout = { places: new Map(), candidates: new Set(), height: 0, highest: 600, mark: null };

/** Measures the lines, and lays out the stacks beside them (core/margin/layout). */
export function useStackPlaces(
  stacks: readonly ShownStack[],
  { openedKeys, presentKey, isFolded }: StackWishes,
  { body, withCursor }: Written,
  column: RefObject<HTMLElement | null>,
  text: RefObject<HTMLElement | null>,
): ColumnLayout & { head: RefObject<HTMLDivElement | null> } {
  const head = useRef<HTMLDivElement>(null);
  const [layout, setLayout] = useState<ColumnLayout>(NOWHERE);

  const measureAll = useCallback(() => {
    const element = column.current;
    if (!element || !text.current) return;
    const { top: base, left } = element.getBoundingClientRect();
    const first = (head.current?.getBoundingClientRect().bottom ?? base) - base + inPixels(HEAD_GAP);
    const highest = Math.round(window.innerHeight * HIGHEST);
    const end = text.current.getBoundingClientRect().bottom - base + window.innerHeight / 2;
    const heights = new Map<string, number>();
    for (const each of element.querySelectorAll<HTMLElement>('[data-measured]')) {
      const key = each.dataset.measured!;
      heights.set(key, (heights.get(key) ?? 0) + each.offsetHeight);
    }
    const tops = stacks.map(({ lineId }) => {
      const rect = lineId === null ? null : seenRect(lineId);
      return rect ? rect.top - base + inPixels(LINE_TOP) : first;
    });
    const candidates = new Set<string>();
    const least = inPixels(isFolded ? LEAST_GLOSS.folded : LEAST_GLOSS.whole);
    const wishes = stacks.map(({ key, count, glosses }, index): StackWish => {
      const room = Math.max(first, tops[index + 1] ?? end) + SLACK - Math.max(first, tops[index]!);
      if (count === glosses.length && count * least <= Math.min(room, highest)) candidates.add(key);
      return {
        key,
        wanted: tops[index]!,
        open: heights.get(key) ?? Infinity,
        closed: inPixels(CLOSED),
        short: inPixels(SHORT),
        isOpened: openedKeys.has(key),
      };
    });
    const places = new Map(
      layoutStacks(wishes, { first, end, gap: inPixels(GAP), highest, presentKey }).map((place) => [place.key, place]),
    );
    const last = [...places.values()].at(-1);
    const height = last ? last.top + last.height + inPixels(GAP) - first : 0;
    const rect = presentKey === null || !places.has(presentKey) ? null : writtenRect(presentKey);
    const mark = rect ? { left: rect.left - left, top: rect.top - base, height: rect.height } : null;
    const next = { places, candidates, height, highest, mark };
    setLayout((before) => (isSame(before, next) ? before : { ...next, places: keptPlaces(before.places, places) }));
  }, [stacks, openedKeys, presentKey, isFolded, column, text]);

  useLayoutEffect(() => {
    measureAll();
    const observer = new ResizeObserver(measureAll);
    if (text.current) observer.observe(text.current);
    if (head.current) observer.observe(head.current);
    const line = withCursor === null ? null : writtenBlock(withCursor);
    if (line) observer.observe(line);
    for (const each of column.current?.querySelectorAll('[data-measured]') ?? []) observer.observe(each);
    window.addEventListener('resize', measureAll);
    return () => {
      observer.disconnect();
      window.removeEventListener('resize', measureAll);
    };
    // What is drawn to be measured comes and goes with the layout.
  }, [measureAll, text, column, layout.candidates, body, withCursor]);

  return { ...layout, head };
}

function isSame(one: ColumnLayout, other: ColumnLayout): boolean {
  if (one.places.size !== other.places.size || Math.abs(one.height - other.height) >= 0.5) return false;
  if (!isSameMark(one.mark, other.mark)) return false;
  if (one.highest !== other.highest || one.candidates.size !== other.candidates.size) return false;
  for (const key of other.candidates) if (!one.candidates.has(key)) return false;
  for (const [key, place] of other.places) {
    const before = one.places.get(key);
    if (!before || !isSamePlace(before, place)) return false;
  }
  return true;
}

/** Places that stay are the same objects, so that only what moves is drawn anew. */
function keptPlaces(
  before: ReadonlyMap<string, StackPlace>,
  next: ReadonlyMap<string, StackPlace>,
): ReadonlyMap<string, StackPlace> {
  const kept = [...next].map(([key, place]): [string, StackPlace] => {
    const known = before.get(key);
    return [key, known && isSamePlace(known, place) ? known : place];
  });
  return new Map(kept);
}

const isSameMark = (one: LineMark | null, other: LineMark | null): boolean =>
  one === other ||
  (one !== null && other !== null && (['left', 'top', 'height'] as const).every((each) => one[each] === other[each]));

const isSamePlace = (one: StackPlace, other: StackPlace): boolean =>
  one.state === other.state && Math.abs(one.top - other.top) < 0.5;
