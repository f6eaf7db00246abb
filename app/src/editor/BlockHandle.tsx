import {
  DndContext,
  PointerSensor,
  TouchSensor,
  useDraggable,
  useSensor,
  useSensors,
  type DragMoveEvent,
} from '@dnd-kit/core';
import type { Editor } from '@tiptap/core';
import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import { announcePlace } from './announcePlace';
import { chosenRange, choose, idsInRange, withChildren } from './chosen';
import { dropExcerpt, placeAcross, type PlaceAcross } from './excerpts';
import { moveBlocks } from './outline';

const STEP = 26;
const nothing = () => undefined;
const SILENT = {
  announcements: { onDragStart: nothing, onDragOver: nothing, onDragEnd: nothing, onDragCancel: nothing },
  screenReaderInstructions: { draggable: '' },
};
const HOLD = 280;

interface Spot {
  /** The index of the block the handle belongs to. */
  index: number;
  top: number;
}

interface Drop {
  target: number;
  depth: number;
  top: number;
  /** How many lines are dragged. */
  count: number;
}

interface BlockHandleProps {
  editor: Editor;
  /** The element the text stands in; the handle stands at its outer edge. */
  text: RefObject<HTMLElement | null>;
  onMenu: () => void;
}

const blockElement = (editor: Editor, index: number): HTMLElement | null => {
  const { doc } = editor.state;
  if (index < 0 || index >= doc.childCount) return null;
  let position = 0;
  for (let each = 0; each < index; each += 1) position += doc.child(each).nodeSize;
  return editor.view.nodeDOM(position) as HTMLElement | null;
};

/** The index of the block at a height of the screen: the one that is there, else the nearest above that is shown. */
export function indexAtHeight(editor: Editor, y: number): number {
  const blocks = [...editor.view.dom.children].filter((each) => !each.classList.contains('list-owner'));
  // What is folded away has no height and stands nowhere.
  const shown = blocks.map((element, index) => ({ element, index })).filter(({ element }) => element.clientHeight > 0);
  let [low, high] = [0, shown.length - 1];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (shown[middle]!.element.getBoundingClientRect().top <= y) low = middle;
    else high = middle - 1;
  }
  return Math.min(shown[low]?.index ?? 0, editor.state.doc.childCount - 1);
}

/**
 * The ¶ at the outer edge of the line pointed at, or with the cursor: a tap opens what can be done with it, dragging
 * moves it with what stands beneath, to the depth that it is dragged in.
 */
export function BlockHandle({ editor, text, onMenu }: BlockHandleProps) {
  const [spot, setSpot] = useState<Spot | null>(null);
  const [drop, setDrop] = useState<Drop | null>(null);
  const [across, setAcross] = useState<PlaceAcross | null>(null);
  const isDragging = useRef(false);
  const start = useRef({ x: 0, y: 0, depth: 0, first: 0, last: 0 });
  /** The page beside, where that is what it is dragged over. */
  const overOther = ({ delta }: Pick<DragMoveEvent, 'delta'>): PlaceAcross | null =>
    placeAcross(editor.view, start.current.x + delta.x, start.current.y + delta.y);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: HOLD, tolerance: 8 } }),
  );

  const placeAt = useCallback(
    (index: number) => {
      // What is dragged is measured from where it was taken.
      if (isDragging.current) return;
      const element = blockElement(editor, index);
      const frame = text.current;
      if (!element?.getBoundingClientRect || !frame) return setSpot(null);
      const words = element.querySelector('.words') ?? element;
      const top = words.getBoundingClientRect().top - frame.getBoundingClientRect().top;
      setSpot((spot) => (spot?.index === index && spot.top === top ? spot : { index, top }));
    },
    [editor, text],
  );

  useEffect(() => {
    const frame = text.current;
    if (!frame) return;
    const onMove = (event: PointerEvent) => {
      if (event.pointerType === 'mouse' && event.buttons === 0) placeAt(indexAtHeight(editor, event.clientY));
    };
    // Measured with the next frame, and not within a key: on a long page that would lay the page out twice.
    let frameAsked = 0;
    const follow = () => {
      frameAsked = 0;
      if (editor.isDestroyed) return;
      const range = chosenRange(editor.state);
      if (range) placeAt(range.first);
      else if (editor.isFocused) placeAt(editor.state.selection.$head.index(0));
    };
    const onSelection = () => {
      frameAsked ||= requestAnimationFrame(follow);
    };
    frame.addEventListener('pointermove', onMove);
    editor.on('transaction', onSelection);
    editor.on('focus', onSelection);
    return () => {
      frame.removeEventListener('pointermove', onMove);
      editor.off('transaction', onSelection);
      editor.off('focus', onSelection);
      cancelAnimationFrame(frameAsked);
    };
  }, [editor, text, placeAt]);

  const dropAt = ({ delta }: DragMoveEvent): Drop | null => {
    const frame = text.current;
    if (!frame) return null;
    const { y, depth, first, last } = start.current;
    const at = y + delta.y;
    const under = indexAtHeight(editor, at);
    const element = blockElement(editor, under);
    if (!element) return null;
    const box = element.getBoundingClientRect();
    const isBelow = at > box.top + box.height / 2;
    let target = isBelow ? under + 1 : under;
    if (target > first && target <= last) target = first;
    const wanted = Math.max(0, depth + Math.round(delta.x / STEP));
    const above = target === first || target === last + 1 ? first - 1 : target - 1;
    const limit = above >= 0 ? Number(editor.state.doc.child(above).attrs.depth ?? 0) + 1 : 0;
    const edge = target > under ? box.bottom : box.top;
    return {
      target,
      depth: Math.min(wanted, limit),
      top: edge - frame.getBoundingClientRect().top,
      count: last - first + 1,
    };
  };

  return (
    <DndContext
      sensors={sensors}
      autoScroll={{ threshold: { x: 0, y: 0.15 } }}
      onDragStart={({ activatorEvent }) => {
        if (!spot) return;
        isDragging.current = true;
        const point = pointOf(activatorEvent);
        const range = chosenRange(editor.state);
        const isWithin = range && spot.index >= range.first && spot.index <= range.last;
        const first = isWithin ? range.first : spot.index;
        const { last } = withChildren(editor.state, { first, last: isWithin ? range.last : spot.index });
        start.current = { ...point, depth: Number(editor.state.doc.child(first).attrs.depth ?? 0), first, last };
      }}
      // What is dragged has an id that says nothing; where it came to stand is said when it is there.
      accessibility={SILENT}
      onDragMove={(event) => {
        const other = overOther(event);
        setAcross(other);
        setDrop(other ? null : dropAt(event));
      }}
      onDragCancel={() => {
        isDragging.current = false;
        setDrop(null);
        setAcross(null);
      }}
      onDragEnd={(event) => {
        const place = dropAt(event as unknown as DragMoveEvent);
        const other = overOther(event);
        isDragging.current = false;
        setDrop(null);
        setAcross(null);
        if (other) return void dropExcerpt(editor.view, idsInRange(editor.state, start.current), other);
        if (!place) return;
        const transaction = moveBlocks(editor.state, start.current, place.target, place.depth);
        if (!transaction) return;
        editor.view.dispatch(transaction);
        announcePlace(editor.state);
      }}
    >
      {spot && (
        <Handle
          top={spot.top}
          onTap={() => {
            const { state } = editor;
            const range = chosenRange(state);
            const isWithin = range && spot.index >= range.first && spot.index <= range.last;
            const { $from, $to } = state.selection;
            const isSelected = $from.index(0) <= spot.index && spot.index <= $to.index(0) && !range;
            if (!isWithin && !isSelected) editor.view.dispatch(choose(state, spot.index, spot.index));
            onMenu();
          }}
        />
      )}
      {across && (
        <div
          className="block-drop across"
          aria-hidden
          style={{ top: across.top, left: across.left, width: across.width }}
        >
          <span className="block-drop-count">excerpt</span>
        </div>
      )}
      {drop && (
        <div className="block-drop" aria-hidden style={{ top: drop.top, marginInlineStart: drop.depth * STEP }}>
          {drop.count > 1 && <span className="block-drop-count">{drop.count} lines</span>}
        </div>
      )}
    </DndContext>
  );
}

const pointOf = (event: Event): { x: number; y: number } => {
  const touch = 'touches' in event ? (event as TouchEvent).touches[0] : undefined;
  const { clientX: x, clientY: y } = touch ?? (event as MouseEvent);
  return { x, y };
};

function Handle({ top, onTap }: { top: number; onTap: () => void }) {
  const { setNodeRef, listeners } = useDraggable({ id: 'block' });
  return (
    <button
      ref={setNodeRef}
      type="button"
      className="block-handle"
      aria-label="What can be done with this line"
      tabIndex={-1}
      style={{ top }}
      {...listeners}
      onMouseDown={(event) => event.preventDefault()}
      onClick={onTap}
    >
      ¶
    </button>
  );
}
