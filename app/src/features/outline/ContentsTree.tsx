import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import type { WebStyle } from '../../kit/web';
import { useEffect, useLayoutEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { stepPlace, type Step, type Contents, type ContentsEntry } from '@glossarion/core/outline';
import { useFoldMutation } from '../../state/api';
import { useAppDispatch, useAppSelector } from '../../state/store';
import { chose, noticed, renaming, sheetOpened, toggledChosen, type ChosenEntry } from '../../state/view';
import { pigmentColour, type SpineName } from '../../theme/tokens';
import { open } from '../../screen/navigation';
import { contentsLines, siblingsOf, type ContentsLine } from './contentsLines';
import { ContentsLineView, SeasonHead } from './ContentsLineView';
import { chosenOf, moveTo, remove } from './entryActs';
import { useDraggedId } from './OutlineDragging';
import { Box } from '../../kit/Box';

interface ContentsTreeProps {
  notebook: { id: string; name: string; pigment: SpineName | null };
  contents: Contents;
  hereId: string | null;
  isNarrow: boolean;
  /** What the lines are scrolled in. */
  scroller: () => HTMLElement | null;
}

/** More lines than these are drawn only where they are seen. */
const DRAWN_WHOLE = 150;
const STEPS: Record<string, Step> = { ArrowUp: 'up', ArrowDown: 'down', ArrowRight: 'in', ArrowLeft: 'out' };

/** A notebook's tree, set like a book's table of contents: read, folded, chosen from and arranged by touch and keys. */
export function ContentsTree({ notebook, contents, hereId, isNarrow, scroller }: ContentsTreeProps) {
  const dispatch = useAppDispatch();
  const [fold] = useFoldMutation();
  const lines = useMemo(() => contentsLines(notebook.id, contents), [notebook.id, contents]);
  const chosen = useAppSelector((state) => state.view.chosen);
  const [focusedKey, setFocusedKey] = useState<string | null>(null);
  const list = useRef<HTMLDivElement>(null);
  const entries = useMemo(() => {
    const byId = new Map<string, ContentsEntry>();
    for (const line of lines) if (line.kind === 'entry') byId.set(line.row.entry.id, line.row.entry);
    return byId;
  }, [lines]);

  const keyAt = (index: number) => lines[index]?.key ?? null;
  const wanted = focusedKey && lines.some((line) => line.key === focusedKey) ? focusedKey : hereId;
  const active = lines.find((line) => line.key === wanted)?.key ?? keyAt(0);

  const focusLine = (key: string) => {
    setFocusedKey(key);
    const index = lines.findIndex((line) => line.key === key);
    virtual.scrollToIndex?.(index);
    requestAnimationFrame(() => list.current?.querySelector<HTMLElement>(`[data-key="${key}"]`)?.focus());
  };

  const setFold = (entry: ContentsEntry, isOpen: boolean) => void fold({ id: entry.id, isOpen });
  const openEntry = (entry: ContentsEntry) => {
    if (entry.kind === 'page') open(`/p/${entry.id}`);
    else if (isEmpty(entry)) dispatch(sheetOpened({ for: 'entry', entryId: entry.id }));
    else setFold(entry, !entry.isOpen);
  };
  const choose = (entry: ContentsEntry) => dispatch(toggledChosen(chosenOf(entry)));
  /** All that are chosen, when it is one of them. */
  const actedOn = (entry: ContentsEntry): ChosenEntry[] =>
    chosen?.some((each) => each.id === entry.id) ? chosen : [chosenOf(entry)];

  /** Moves by one step, all that are chosen along with it; the focus goes along. */
  const step = (entry: ContentsEntry, by: Step) => {
    const moved = actedOn(entry)
      .map(({ id }) => entries.get(id))
      .filter((each) => each !== undefined);
    if (moved.some(({ parentId, kind }) => parentId !== entry.parentId || kind !== entry.kind)) {
      return void dispatch(noticed({ words: 'Those chosen stand in several places; “Move to…” takes them together.' }));
    }
    const siblings = siblingsOf(contents, entry.parentId);
    const inOrder = siblings.filter(({ id }) => moved.some((each) => each.id === id));
    // As if one of them stood for all: the last on the way down, else the first.
    const standIn = by === 'down' ? inOrder.at(-1)! : inOrder[0]!;
    const others = siblings.filter((each) => each.id === standIn.id || !inOrder.includes(each));
    const holder =
      entry.parentId === notebook.id ? { id: notebook.id, kind: 'notebook' as const, parentId: null } : null;
    const parent = holder ?? entries.get(entry.parentId ?? '') ?? null;
    const place = stepPlace(by, standIn, others, parent);
    if (!place) return;
    if (by === 'in' && place.parentId) void fold({ id: place.parentId, isOpen: true });
    setFocusedKey(entry.id);
    void moveTo(inOrder.map(chosenOf), place, by).then(() => focusSoon(entry.id));
  };
  const focusSoon = (key: string) =>
    setTimeout(() => list.current?.querySelector<HTMLElement>(`[data-key="${key}"]`)?.focus(), 120);

  const onKeyDown = (event: KeyboardEvent) => {
    const key = (event.target as HTMLElement).closest<HTMLElement>('[data-key]')?.dataset.key;
    const index = lines.findIndex((line) => line.key === key);
    const line = lines[index];
    if (!line || (event.target as HTMLElement).tagName === 'INPUT') return;
    const acts = line.kind === 'entry' ? keysOfEntry(line, index, event) : keysOfSeason(line, event);
    const act = acts[event.key] ?? movesFocus(index)[event.key];
    if (!act || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  };

  const movesFocus = (index: number): Record<string, () => void> => {
    const to = (each: number) => () => {
      const key = keyAt(Math.max(0, Math.min(lines.length - 1, each)));
      if (key) focusLine(key);
    };
    return { ArrowDown: to(index + 1), ArrowUp: to(index - 1), Home: to(0), End: to(lines.length - 1) };
  };

  const keysOfSeason = (line: ContentsLine & { kind: 'season' }, event: KeyboardEvent): Record<string, () => void> => {
    if (event.altKey || event.shiftKey) return {};
    const set = (isOpen: boolean) => () => void fold({ id: notebook.id, season: line.season, isOpen });
    return { Enter: set(!line.isOpen), ' ': set(!line.isOpen), ArrowRight: set(true), ArrowLeft: set(false) };
  };

  const keysOfEntry = (
    line: ContentsLine & { kind: 'entry' },
    index: number,
    event: KeyboardEvent,
  ): Record<string, () => void> => {
    const { entry } = line.row;
    const by = STEPS[event.key];
    // Alt with left and right alone is the browser's way back and forward.
    const isStep = by === 'up' || by === 'down' ? !event.shiftKey : event.shiftKey;
    const openMenu = () => dispatch(sheetOpened({ for: 'entry', entryId: entry.id }));
    if (event.altKey) return by && isStep ? { [event.key]: () => step(entry, by) } : { Enter: openMenu };
    if (event.shiftKey && (by === 'up' || by === 'down')) {
      const next = lines[index + (by === 'down' ? 1 : -1)];
      if (next?.kind !== 'entry') return {};
      return {
        [event.key]: () => {
          const both = [entry, next.row.entry].map(chosenOf);
          dispatch(chose([...(chosen ?? []).filter((each) => both.every((other) => other.id !== each.id)), ...both]));
          focusLine(next.key);
        },
      };
    }
    const holdsAny = !isEmpty(entry);
    const acted = actedOn(entry);
    return {
      Enter: () => openEntry(entry),
      ' ': () => choose(entry),
      F2: () => dispatch(renaming(entry.id)),
      Delete: () => void remove(acted).then(() => dispatch(chose(null))),
      '.': openMenu,
      ContextMenu: openMenu,
      s: () => dispatch(sheetOpened({ for: 'move', entries: acted })),
      ...(chosen && { Escape: () => dispatch(chose(null)) }),
      ArrowRight: () => (holdsAny && !entry.isOpen ? setFold(entry, true) : focusLine(keyAt(index + 1) ?? line.key)),
      ArrowLeft: () =>
        entry.isOpen && holdsAny
          ? setFold(entry, false)
          : entries.has(entry.parentId ?? '') && focusLine(entry.parentId!),
    };
  };

  useFocusKept(lines, focusedKey, focusLine);
  const virtual = useDrawnLines(lines, isNarrow, scroller, list);
  const hereIndex = lines.findIndex((line) => line.key === hereId);
  const isScrolled = scroller() !== null;
  useEffect(() => {
    // Beside a page its line is in sight; a line that is not drawn can't be asked to come.
    if (isNarrow && isScrolled && hereIndex >= 0) virtual.scrollToIndex?.(hereIndex);
    // Once a page: the person may scroll on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [hereId, isScrolled]);

  return (
    <Box
      ref={list}
      role="tree"
      aria-label={`Contents of ${notebook.name}`}
      aria-multiselectable={chosen !== null || undefined}
      look="contents"
      style={{ '--tone': pigmentColour(notebook.pigment), ...virtual.listStyle } as WebStyle}
      onKeyDown={onKeyDown}
      onFocus={(event) => {
        const key = (event.target as HTMLElement).closest<HTMLElement>('[data-key]')?.dataset.key;
        if (key) setFocusedKey(key);
      }}
      dataSet={{ narrow: isNarrow }}
    >
      {virtual.items.map(({ index, ref, style }) => {
        const line = lines[index]!;
        const isTabbable = line.key === active;
        return (
          <Box key={line.key} ref={ref} role="none" style={style} dataSet={{ index }}>
            {line.kind === 'season' ? (
              <SeasonHead
                line={line}
                isTabbable={isTabbable}
                onFold={() => void fold({ id: notebook.id, season: line.season, isOpen: !line.isOpen })}
              />
            ) : (
              <ContentsLineView
                line={line}
                isHere={line.row.entry.id === hereId}
                isTabbable={isTabbable}
                isNarrow={isNarrow}
                onOpen={() => openEntry(line.row.entry)}
                onFold={() => setFold(line.row.entry, !line.row.entry.isOpen)}
              />
            )}
          </Box>
        );
      })}
    </Box>
  );
}

/** Whoever was at a line that is gone goes on at the one that came to its place. */
function useFocusKept(lines: readonly ContentsLine[], focusedKey: string | null, focusLine: (key: string) => void) {
  const lastIndex = useRef(-1);
  useEffect(() => {
    const index = lines.findIndex(({ key }) => key === focusedKey);
    const isGone = index < 0 && focusedKey !== null && lastIndex.current >= 0;
    const next = isGone ? lines[Math.min(lastIndex.current, lines.length - 1)] : undefined;
    lastIndex.current = index;
    if (next && document.activeElement === document.body) focusLine(next.key);
    // Only what is listed decides; focusing is the same whenever.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [lines, focusedKey]);
}

/** A section in which nothing stands: there is nothing to open, but something to begin. */
const isEmpty = (entry: ContentsEntry): boolean => entry.pagesBeneath + entry.sectionsBeneath === 0;

/** Which lines are drawn, and where: all of a short contents, of a long one those in view. */
function useDrawnLines(
  lines: readonly ContentsLine[],
  isNarrow: boolean,
  scroller: () => HTMLElement | null,
  list: React.RefObject<HTMLDivElement | null>,
) {
  const isLong = lines.length > DRAWN_WHOLE;
  const [margin, setMargin] = useState(0);
  const draggedId = useDraggedId();
  const outer = scroller();
  useLayoutEffect(() => {
    const inner = list.current;
    if (!isLong || !outer || !inner) return;
    setMargin(Math.round(inner.getBoundingClientRect().top - outer.getBoundingClientRect().top + outer.scrollTop));
    // What stands above the list changes with what is listed only; the scroller is the same for as long as it is shown.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isLong, lines, outer]);
  const virtualizer = useVirtualizer({
    count: isLong ? lines.length : 0,
    getScrollElement: scroller,
    estimateSize: (index) => (lines[index]?.kind === 'entry' ? (isNarrow ? 30 : 44) : 48),
    getItemKey: (index) => lines[index]!.key,
    overscan: 12,
    scrollMargin: margin,
    // What is being dragged stays, or the drag would end when it is scrolled out of sight.
    rangeExtractor: (range) => {
      const dragged = lines.findIndex((line) => line.key === draggedId);
      const drawn = defaultRangeExtractor(range);
      return dragged < 0 || drawn.includes(dragged) ? drawn : [...drawn, dragged].sort((one, other) => one - other);
    },
  });
  if (!isLong) {
    const items = lines.map((_line, index) => ({ index, ref: undefined, style: undefined }));
    return { items, listStyle: {} as WebStyle };
  }
  return {
    scrollToIndex: (index: number) => virtualizer.scrollToIndex(index, { align: 'auto' }),
    listStyle: { position: 'relative', height: virtualizer.getTotalSize() } as WebStyle,
    items: virtualizer.getVirtualItems().map(({ index, start }) => ({
      index,
      ref: virtualizer.measureElement,
      style: {
        position: 'absolute' as const,
        insetInline: 0,
        top: 0,
        transform: `translateY(${start - margin}px)`,
      },
    })),
  };
}
