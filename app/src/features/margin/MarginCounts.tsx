import { useCallback, useEffect, useLayoutEffect, useState, type RefObject } from 'react';
import { writtenRect } from '../../screen/blockPlace';
import { pigmentColour } from '../../theme/tokens';
import { stackId } from './stacks';
import type { MarginState } from './useMargin';
import { usePresentLine } from './usePresentLine';
import { Tap } from '../../kit/Tap';
import { Said } from '../../kit/Words';

interface MarginCountsProps {
  margin: MarginState;
  text: RefObject<HTMLElement | null>;
  onOpen: (lineId: string) => void;
}

/** A small count at the right edge of each paragraph that is spoken about. */
export function MarginCounts({ margin: { stacks, body, renew }, text, onOpen }: MarginCountsProps) {
  const [tops, setTops] = useState<Record<string, number>>({});

  const measureAll = useCallback(() => {
    const base = text.current?.getBoundingClientRect().top ?? 0;
    const next: Record<string, number> = {};
    for (const { lineId } of stacks) {
      const rect = lineId === null ? null : writtenRect(lineId);
      if (rect) next[lineId!] = rect.top - base;
    }
    setTops((before) => (JSON.stringify(before) === JSON.stringify(next) ? before : next));
  }, [stacks, text]);

  useLayoutEffect(() => {
    measureAll();
    const observer = new ResizeObserver(measureAll);
    if (text.current) observer.observe(text.current);
    return () => observer.disconnect();
    // Lines move while somebody writes, though the text may be as high as before.
  }, [measureAll, text, body]);

  const { withCursor } = usePresentLine(text);
  // What was written in a line is done.
  useEffect(() => renew, [withCursor, renew]);

  return (
    <>
      {stacks.map(({ lineId, count, pigments }) =>
        lineId !== null && lineId in tops ? (
          <Tap
            key={lineId}
            id={stackId(lineId)}
            look="margin-count"
            aria-label={`${count} in the Margin for this line`}
            style={{ top: tops[lineId], color: pigmentColour(pigments[0] ?? null) }}
            onPress={() => onOpen(lineId)}
          >
            <Said look="margin-count-number">{count}</Said>
          </Tap>
        ) : null,
      )}
    </>
  );
}
