import { DndContext, DragOverlay, MouseSensor, useDraggable, useSensor, useSensors } from '@dnd-kit/core';
import { useEffect, useRef, useState } from 'react';
import type { Gloss } from '@glossarion/core/margin';
import { writtenRect } from '../../screen/blockPlace';
import { swallowClick } from '../../kit/swallowClick';
import { Box } from '../../kit/Box';
import { Line } from '../../kit/Words';
import type { GlossMoving } from './moving';
import { originOf } from './origin';
import type { LineChoice } from './useMargin';

interface GlossGripProps {
  gloss: Gloss;
  moving: GlossMoving;
}

/** A line that a gloss would be set beside, and where it is in the window; null stands for the title. */
interface Over {
  lineId: string | null;
  words: string;
  rect: DOMRect;
}

/** The line at a height of the window: the last that begins above it, else the title. */
function lineAt(y: number, lines: readonly LineChoice[]): Over | null {
  let over: Over | null = null;
  for (const { id, words } of lines) {
    const rect = writtenRect(id);
    if (rect && (over === null || rect.top <= y)) over = { lineId: id, words, rect };
  }
  return over && y < over.rect.top ? { ...over, lineId: null, words: 'the title' } : over;
}

const SAID = {
  announcements: {
    onDragStart: () => 'Set it beside a line of the page.',
    onDragOver: () => undefined,
    onDragEnd: () => undefined,
    onDragCancel: () => 'Nothing was moved.',
  },
  screenReaderInstructions: { draggable: '' },
};

/** The coloured edge of a gloss: dragged by it, the gloss is set beside the line at the height it is let go at. */
export function GlossGrip({ gloss, moving }: GlossGripProps) {
  const [over, setOver] = useState<Over | null>(null);
  const [words, setWords] = useState('');
  const held = useRef<{ lift: () => void } | null>(null);
  /** Where the pointer is in the window: the library’s own measure counts what was scrolled meanwhile too. */
  const height = useRef(0);
  useEffect(() => {
    const follow = (event: MouseEvent) => {
      height.current = event.clientY;
    };
    document.addEventListener('mousemove', follow, { capture: true, passive: true });
    return () => {
      document.removeEventListener('mousemove', follow, { capture: true });
      held.current?.lift();
    };
  }, []);
  const find = () => lineAt(height.current, moving.lines());
  const stop = () => {
    setOver(null);
    held.current?.lift();
    held.current = null;
  };
  return (
    <DndContext
      sensors={useSensors(useSensor(MouseSensor, { activationConstraint: { distance: 6 } }))}
      accessibility={SAID}
      onDragStart={({ activatorEvent }) => {
        held.current = swallowClick();
        const shown = (activatorEvent.target as Element).closest('.gloss')?.querySelector('.gloss-words');
        setWords(shown?.textContent ?? '');
      }}
      onDragMove={() => setOver(find())}
      onDragEnd={() => {
        const found = find();
        stop();
        if (found && found.lineId !== gloss.lineId) moving.move(gloss, found.lineId);
      }}
      onDragCancel={stop}
      autoScroll={{ threshold: { x: 0, y: 0.18 }, acceleration: 14 }}
    >
      <Edge />
      {over && (
        <Box
          look="gloss-target"
          style={{
            left: over.rect.left - 12,
            top: over.lineId === null ? over.rect.top - 40 : over.rect.top,
            height: over.lineId === null ? 32 : over.rect.height,
          }}
        />
      )}
      <DragOverlay dropAnimation={null}>
        {over && <Line look="dragged">{[originOf(gloss).words, words].filter(Boolean).join(': ')}</Line>}
      </DragOverlay>
    </DndContext>
  );
}

/** What is taken hold of. Keys and menus say the same in words. */
function Edge() {
  const { setNodeRef, listeners } = useDraggable({ id: 'gloss' });
  return <Box ref={setNodeRef} look="gloss-grip" aria-hidden {...listeners} />;
}
