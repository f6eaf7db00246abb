import { useCallback, useLayoutEffect, useRef, useState, type RefObject } from 'react';
import { writtenBlock } from '../../screen/blockPlace';
import { slideDown } from '@glossarion/core/margin';
import { GlossView } from './GlossView';
import { MarginHead } from './MarginHead';
import { MarginFoot, MarginGroups, OlderGlosses } from './marginParts';
import { BESIDE, glossKey, type GlossGroup, type MarginState } from './useMargin';
import { Box } from '../../kit/Box';

interface MarginColumnProps {
  margin: MarginState;
  title: string;
  /** The element whose blocks the glosses stand beside. */
  text: RefObject<HTMLElement | null>;
}

const GAP = 14;

/** The Margin beside a page: each gloss at the height of the line it speaks to, or gathered as it was asked for. */
export function MarginColumn({ margin, title, text }: MarginColumnProps) {
  const column = useRef<HTMLDivElement>(null);
  const { group = 'line', isFolded = false } = margin.view;
  const isBeside = group === 'line';
  const { tops, height, head } = useTops(isBeside ? margin.groups : NO_GROUPS, column, text);

  return (
    <Box role="complementary" ref={column} look="margin" aria-label="Margin" tabIndex={-1}>
      <Box ref={head}>
        <MarginHead
          margin={margin}
          onNamed={() => column.current?.querySelector('#also-named')?.scrollIntoView({ block: 'center' })}
        />
      </Box>
      {isBeside ? (
        <Box style={{ height }}>
          {margin.groups.flatMap(({ lineId, glosses }) =>
            glosses.map((gloss) => {
              const key = glossKey(gloss);
              return (
                <Box
                  key={key}
                  look="margin-gloss"
                  style={{ top: tops[key] ?? 0, visibility: key in tops ? 'visible' : 'hidden' }}
                  dataSet={{ gloss: key, line: lineId ?? 'head' }}
                >
                  <GlossView gloss={gloss} isFolded={isFolded} />
                </Box>
              );
            }),
          )}
        </Box>
      ) : (
        <Box look="margin-flow">
          <MarginGroups glosses={margin.glosses} by={group} isFolded={isFolded} />
        </Box>
      )}
      <Box look="margin-flow">
        {margin.count > BESIDE && <OlderGlosses margin={margin} root="#main" />}
        <MarginFoot pageId={margin.pageId} title={title} />
      </Box>
    </Box>
  );
}

const NO_GROUPS: readonly GlossGroup[] = [];

/** Where each gloss stands in the column, and how much room all of them take below its head. */
function useTops(
  groups: readonly GlossGroup[],
  column: RefObject<HTMLElement | null>,
  text: RefObject<HTMLElement | null>,
): { tops: Record<string, number>; height: number; head: RefObject<HTMLDivElement | null> } {
  const head = useRef<HTMLDivElement>(null);
  const [tops, setTops] = useState<Record<string, number>>({});
  const [height, setHeight] = useState(0);

  const measureAll = useCallback(() => {
    const element = column.current;
    if (!element) return;
    const base = element.getBoundingClientRect().top;
    const first = (head.current?.getBoundingClientRect().bottom ?? base) - base + 12;
    const heights = new Map(
      [...element.querySelectorAll<HTMLElement>('[data-gloss]')].map((each) => [
        each.dataset.gloss!,
        each.offsetHeight,
      ]),
    );
    const keys: string[] = [];
    const wanted: { top: number; height: number }[] = [];
    for (const { lineId, glosses } of groups) {
      const line = lineId === null ? null : writtenBlock(lineId);
      const top = Math.max(first, line ? line.getBoundingClientRect().top - base + 3 : first);
      for (const gloss of glosses) {
        const key = glossKey(gloss);
        keys.push(key);
        wanted.push({ top, height: heights.get(key) ?? 0 });
      }
    }
    const placed = slideDown(wanted, GAP);
    const next = Object.fromEntries(keys.map((key, index) => [key, placed[index]!]));
    setTops((before) => (isSame(before, next) ? before : next));
    const end = placed.length > 0 ? placed[placed.length - 1]! + wanted[wanted.length - 1]!.height + GAP : first;
    setHeight(end - first + 12);
  }, [groups, column]);

  useLayoutEffect(() => {
    measureAll();
    const observer = new ResizeObserver(measureAll);
    if (text.current) observer.observe(text.current);
    if (head.current) observer.observe(head.current);
    for (const gloss of column.current?.querySelectorAll('[data-gloss]') ?? []) observer.observe(gloss);
    return () => observer.disconnect();
  }, [measureAll, text, column]);

  return { tops, height, head };
}

const isSame = (one: Record<string, number>, other: Record<string, number>): boolean => {
  const keys = Object.keys(other);
  return keys.length === Object.keys(one).length && keys.every((key) => Math.abs((one[key] ?? -1) - other[key]!) < 0.5);
};
