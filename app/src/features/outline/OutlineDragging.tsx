import {
  DndContext,
  DragOverlay,
  MouseSensor,
  TouchSensor,
  useDraggable as useDndDraggable,
  useSensor,
  useSensors,
  type DragStartEvent,
} from '@dnd-kit/core';
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useId,
  useRef,
  useState,
  type MouseEvent,
  type ReactNode,
} from 'react';
import {
  dropPlace,
  dropZone,
  shownTitle,
  type DropZone,
  type EntryKind,
  type ContentsEntry,
} from '@glossarion/core/outline';
import { api } from '../../state/api';
import { ask, store, useAppDispatch } from '../../state/store';
import { chose, sheetOpened, type ChosenEntry } from '../../state/view';
import { chosenOf, moveTo } from './entryActs';
import { swallowClick } from '../../kit/swallowClick';
import { Line } from '../../kit/Words';
import { Box } from '../../kit/Box';

/** Arranging the outline by dragging: anything in the contents or the pile, by mouse or by a long touch. */

const DraggedContext = createContext<string | null>(null);

/** The id of the entry that is being dragged. */
export const useDraggedId = (): string | null => useContext(DraggedContext);

/** How long something folded is held over before it opens. */
const OPENS_AFTER = 600;

interface Over {
  id: string;
  zone: DropZone;
  rect: DOMRect;
}

interface DragData {
  entry: ContentsEntry;
  title: string;
}

/** Makes a line of the contents or a spine of the pile something that can be dragged. */
export function useDraggable(entry: ContentsEntry, title: string) {
  const scope = useId();
  const { setNodeRef, listeners, isDragging } = useDndDraggable({
    id: `${scope}${entry.id}`,
    data: { entry, title } satisfies DragData,
  });
  const ref = useCallback(
    (element: HTMLElement | null) => {
      // A link would be dragged by the browser itself.
      for (const each of element ? [element, ...element.querySelectorAll('a')] : []) each.draggable = false;
      setNodeRef(element);
    },
    [setNodeRef],
  );
  return { ref, listeners, isDragged: isDragging };
}

/**
 * Whether a context menu was asked for by mouse or key, and takes it from the browser. A long touch asks too, but may be
 * the beginning of a drag: it is answered when the finger is lifted.
 */
export function askedByMouse(event: MouseEvent): boolean {
  event.preventDefault();
  return (event.nativeEvent as PointerEvent).pointerType !== 'touch';
}

/** The line of the outline at a point of the screen. */
const lineAt = (x: number, y: number): HTMLElement | null =>
  document
    .elementsFromPoint(x, y)
    .find((element): element is HTMLElement => (element as HTMLElement).dataset?.entry !== undefined) ?? null;

interface Point {
  x: number;
  y: number;
}

const pointOf = (event: Event): Point | null => {
  const at = 'touches' in event ? (event as TouchEvent).touches[0] : (event as globalThis.MouseEvent);
  return at ? { x: at.clientX, y: at.clientY } : null;
};

const MOVES = ['mousemove', 'touchmove'] as const;
/** A finger that trembles has not moved. */
const MOVED = 8;

const nothing = () => undefined;
/** What is dragged is spoken of by its title; where it went is said by the notice. */
const SAID = {
  announcements: {
    onDragStart: ({ active }: DragStartEvent) => `“${(active.data.current as DragData).title}” is being moved.`,
    onDragOver: nothing,
    onDragEnd: nothing,
    onDragCancel: () => 'Nothing was moved.',
  },
  screenReaderInstructions: { draggable: '' },
};

export function OutlineDragging({ children }: { children: ReactNode }) {
  const dispatch = useAppDispatch();
  const [dragged, setDragged] = useState<{ data: DragData; all: ChosenEntry[] } | null>(null);
  const [over, setOver] = useState<Over | null>(null);
  const opening = useRef<{ id: string; timer: ReturnType<typeof setTimeout> } | null>(null);
  /** Where the pointer is on the screen: the library’s own measure counts what was scrolled meanwhile too. */
  const pointer = useRef({ x: 0, y: 0, hasMoved: false });
  const follow = useRef<(event: Event) => void>(() => undefined);
  /** The click that lifting it may count as must not follow its link. */
  const held = useRef<{ lift: () => void } | null>(null);
  useEffect(() => () => held.current?.lift(), []);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 280, tolerance: 8 } }),
  );

  const stop = () => {
    if (opening.current) clearTimeout(opening.current.timer);
    opening.current = null;
    setDragged(null);
    setOver(null);
    for (const name of MOVES) document.removeEventListener(name, follow.current, { capture: true });
    held.current?.lift();
    held.current = null;
  };

  const onStart = ({ active, activatorEvent }: DragStartEvent) => {
    held.current = swallowClick();
    const data = active.data.current as DragData;
    const { chosen } = store.getState().view;
    const isAmong = chosen?.some((each) => each.id === data.entry.id) ?? false;
    const start = pointOf(activatorEvent) ?? { x: 0, y: 0 };
    pointer.current = { ...start, hasMoved: !('touches' in activatorEvent) };
    follow.current = (moved) => {
      const at = pointOf(moved);
      if (!at) return;
      const hasMoved = pointer.current.hasMoved || Math.hypot(at.x - start.x, at.y - start.y) > MOVED;
      pointer.current = { ...at, hasMoved };
    };
    for (const name of MOVES) document.addEventListener(name, follow.current, { capture: true, passive: true });
    setDragged({ data, all: isAmong ? chosen! : [{ ...chosenOf(data.entry), title: data.title }] });
  };

  const findOver = (): Over | null => {
    const { x, y } = pointer.current;
    const line = lineAt(x, y);
    const id = line?.dataset.entry;
    if (!line || !id || !dragged || dragged.all.some((each) => each.id === id)) return null;
    const rect = line.getBoundingClientRect();
    const fraction = (y - rect.top) / rect.height;
    const zones = dragged.all.map((each) => dropZone(each.kind, line.dataset.kind as EntryKind, fraction));
    const zone = zones[0];
    return zone && zones.every((each) => each === zone) ? { id, zone, rect } : null;
  };

  const onMove = () => {
    const found = findOver();
    setOver(found);
    const into = found?.zone === 'inside' ? found.id : null;
    if (opening.current?.id === into) return;
    if (opening.current) clearTimeout(opening.current.timer);
    opening.current = into
      ? {
          id: into,
          timer: setTimeout(() => {
            const isFolded = document.querySelector(`[data-entry="${into}"][aria-expanded="false"][role=treeitem]`);
            if (isFolded) void store.dispatch(api.endpoints.fold.initiate({ id: into, isOpen: true }));
          }, OPENS_AFTER),
        }
      : null;
  };

  const onEnd = () => {
    const found = findOver();
    const moved = dragged;
    stop();
    // A long touch that goes nowhere asks what can be done.
    if (moved && !pointer.current.hasMoved) {
      dispatch(sheetOpened({ for: 'entry', entryId: moved.data.entry.id }));
      return;
    }
    if (found && moved) void drop(moved.all, found).then(() => dispatch(chose(null)));
  };

  return (
    <DndContext
      sensors={sensors}
      accessibility={SAID}
      onDragStart={onStart}
      onDragMove={onMove}
      onDragEnd={onEnd}
      onDragCancel={stop}
      autoScroll={{ threshold: { x: 0, y: 0.18 }, acceleration: 14 }}
    >
      <DraggedContext.Provider value={dragged?.data.entry.id ?? null}>
        {children}
        {over && <DropMark over={over} />}
        <DragOverlay dropAnimation={null}>
          {dragged && (
            <Line look="dragged">
              {dragged.all.length === 1 ? dragged.data.title : `${dragged.all.length} entries`}
            </Line>
          )}
        </DragOverlay>
      </DraggedContext.Provider>
    </DndContext>
  );
}

/** Where it would go: a line before or after, or a frame around what would hold it. */
function DropMark({ over: { zone, rect } }: { over: Over }) {
  const top = zone === 'before' ? rect.top - 2 : zone === 'after' ? rect.bottom - 1 : rect.top;
  return (
    <Box
      look="drop-mark"
      style={{ left: rect.left, width: rect.width, top, height: zone === 'inside' ? rect.height : undefined }}
      dataSet={{ zone }}
    />
  );
}

async function drop(all: ChosenEntry[], { id, zone }: Over): Promise<void> {
  const over = await ask(api.endpoints.entry.initiate(id));
  const siblings =
    over.parentId === null
      ? await ask(api.endpoints.notebooks.initiate())
      : await ask(api.endpoints.beneath.initiate({ id: over.parentId, levels: 1 }));
  const others = siblings.filter((sibling) => all.every((each) => each.id !== sibling.id));
  const title = shownTitle(over.name, over.title);
  await moveTo(all, dropPlace(over, zone, others), zone === 'inside' ? `into “${title}”` : `${zone} “${title}”`);
}
