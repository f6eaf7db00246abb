import { useCallback, useLayoutEffect, useState, type RefObject } from 'react';
import { writtenBlock } from '../../screen/blockPlace';
import { pigmentColour } from '../../theme/tokens';
import type { GlossGroup } from './useMargin';
import { Tap } from '../../kit/Tap';
import { Said } from '../../kit/Words';

interface MarginCountsProps {
  groups: readonly GlossGroup[];
  text: RefObject<HTMLElement | null>;
  onOpen: (lineId: string) => void;
}

/** A small count at the right edge of each paragraph that is spoken about. */
export function MarginCounts({ groups, text, onOpen }: MarginCountsProps) {
  const [tops, setTops] = useState<Record<string, number>>({});

  const measureAll = useCallback(() => {
    const base = text.current?.getBoundingClientRect().top ?? 0;
    const next: Record<string, number> = {};
    for (const { lineId } of groups) {
      const line = lineId === null ? null : writtenBlock(lineId);
      if (line) next[lineId!] = line.getBoundingClientRect().top - base;
    }
    setTops((before) => (JSON.stringify(before) === JSON.stringify(next) ? before : next));
  }, [groups, text]);

  useLayoutEffect(() => {
    measureAll();
    const observer = new ResizeObserver(measureAll);
    if (text.current) observer.observe(text.current);
    return () => observer.disconnect();
  }, [measureAll, text]);

  return (
    <>
      {groups.map(({ lineId, glosses }) =>
        lineId !== null && lineId in tops ? (
          <Tap
            key={lineId}
            look="margin-count"
            aria-label={`${glosses.length} in the Margin for this line`}
            style={{ top: tops[lineId], color: pigmentColour(glosses[0]!.day ? null : glosses[0]!.pigment) }}
            onPress={() => onOpen(lineId)}
          >
            <Said look="margin-count-number">{glosses.length}</Said>
          </Tap>
        ) : null,
      )}
    </>
  );
}
