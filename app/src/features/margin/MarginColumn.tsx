import { useCallback, useLayoutEffect, useRef, useState, type RefObject } from 'react';
import { slideDown } from '@glossarion/core/margin';
import { GlossView } from './GlossView';
import { glossKey, type GlossGroup } from './useMargin';

interface MarginColumnProps {
  groups: readonly GlossGroup[];
  count: number;
  /** The element whose blocks the glosses stand beside. */
  text: RefObject<HTMLElement | null>;
}

const GAP = 14;

/** The Margin beside a page: each gloss at the height of the line it speaks to. */
export function MarginColumn({ groups, count, text }: MarginColumnProps) {
  const column = useRef<HTMLDivElement>(null);
  const head = useRef<HTMLDivElement>(null);
  const [tops, setTops] = useState<Record<string, number>>({});
  const [height, setHeight] = useState(0);

  const measureAll = useCallback(() => {
    const element = column.current;
    if (!element) return;
    const base = element.getBoundingClientRect().top;
    const first = (head.current?.getBoundingClientRect().bottom ?? base) - base + 12;
    const keys: string[] = [];
    const wanted: { top: number; height: number }[] = [];
    for (const { lineId, glosses } of groups) {
      const line = lineId === null ? null : document.getElementById(`b-${lineId}`);
      const top = Math.max(first, line ? line.getBoundingClientRect().top - base + 3 : first);
      for (const gloss of glosses) {
        const key = glossKey(gloss);
        keys.push(key);
        wanted.push({ top, height: element.querySelector<HTMLElement>(`[data-gloss='${key}']`)?.offsetHeight ?? 0 });
      }
    }
    const placed = slideDown(wanted, GAP);
    const next = Object.fromEntries(keys.map((key, index) => [key, placed[index]!]));
    setTops((before) => (isSame(before, next) ? before : next));
    setHeight(placed.length > 0 ? placed[placed.length - 1]! + wanted[wanted.length - 1]!.height + GAP : 0);
  }, [groups]);

  useLayoutEffect(() => {
    measureAll();
    const observer = new ResizeObserver(measureAll);
    if (text.current) observer.observe(text.current);
    for (const gloss of column.current?.querySelectorAll('[data-gloss]') ?? []) observer.observe(gloss);
    return () => observer.disconnect();
  }, [measureAll, text]);

  return (
    <aside ref={column} className="margin" aria-label="Margin" style={{ minHeight: height }}>
      <div ref={head} className="margin-head">
        <h2>Margin</h2>
        <span>{count === 0 ? 'Nothing points here yet' : `${count} linked`}</span>
      </div>
      {groups.flatMap(({ lineId, glosses }) =>
        glosses.map((gloss) => {
          const key = glossKey(gloss);
          return (
            <div
              key={key}
              data-gloss={key}
              data-line={lineId ?? 'head'}
              className="margin-gloss"
              style={{ top: tops[key] ?? 0, visibility: key in tops ? 'visible' : 'hidden' }}
            >
              <GlossView gloss={gloss} />
            </div>
          );
        }),
      )}
    </aside>
  );
}

const isSame = (one: Record<string, number>, other: Record<string, number>): boolean => {
  const keys = Object.keys(other);
  return keys.length === Object.keys(one).length && keys.every((key) => Math.abs((one[key] ?? -1) - other[key]!) < 0.5);
};
