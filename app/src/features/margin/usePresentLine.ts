import { useEffect, useState, type RefObject } from 'react';
import { hasPointerMoved } from '../../kit/movedPointer';

/** So long a pointer rests on a line before it counts as pointed at, in milliseconds: it passes over many. */
const RESTS = 250;

const LINE = '[id^="b-"]';
const lineIdOf = (node: Node | null): string | null =>
  (node instanceof Element ? node : (node?.parentElement ?? null))?.closest(LINE)?.id.slice('b-'.length) ?? null;

/**
 * The line of a text that one is at: the one pointed at, else the one with the cursor. Null for none. What is typed is
 * typed where the cursor is, wherever the pointer rests.
 *
 * @param beside what stands beside the text: who points there has not left the line
 */
export function usePresentLine(
  text: RefObject<HTMLElement | null>,
  beside?: RefObject<HTMLElement | null>,
): { present: string | null; withCursor: string | null } {
  const [withCursor, setWithCursor] = useState<string | null>(null);
  const [pointed, setPointed] = useState<string | null>(null);

  useEffect(() => {
    const onSelection = () => {
      const { anchorNode } = getSelection() ?? { anchorNode: null };
      // Who is in the Margin goes on from the line they came from.
      if (anchorNode && beside?.current?.contains(anchorNode)) return;
      setWithCursor(text.current?.contains(anchorNode) ? lineIdOf(anchorNode) : null);
    };
    document.addEventListener('selectionchange', onSelection);
    onSelection();
    return () => document.removeEventListener('selectionchange', onSelection);
  }, [text, beside]);

  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | null = null;
    let over: string | null = null;
    const rest = (line: string | null) => {
      if (over === line) return;
      over = line;
      if (timer) clearTimeout(timer);
      timer = setTimeout(() => setPointed(line), RESTS);
    };
    const onMove = (event: PointerEvent) => {
      if (event.pointerType !== 'mouse' || !hasPointerMoved(event)) return;
      const target = event.target as Node;
      if (beside?.current?.contains(target)) {
        if (timer) clearTimeout(timer);
        return;
      }
      rest(text.current?.contains(target) ? lineIdOf(target) : null);
    };
    const onKey = () => {
      if (timer) clearTimeout(timer);
      over = null;
      setPointed(null);
    };
    document.addEventListener('pointermove', onMove, { passive: true });
    document.addEventListener('keydown', onKey, true);
    return () => {
      if (timer) clearTimeout(timer);
      document.removeEventListener('pointermove', onMove);
      document.removeEventListener('keydown', onKey, true);
    };
  }, [text, beside]);

  return { present: pointed ?? withCursor, withCursor };
}
