import { memo, useCallback, useEffect, useRef, useState, type FocusEvent, type RefObject } from 'react';
import { Box } from '../../kit/Box';
import { keepPlace, keptPlace } from '../../screen/keptPlaces';
import { MarginHead } from './MarginHead';
import { GatheredGlosses, MarginFoot } from './marginParts';
import { MovingGlosses, useMoving } from './moving';
import { StackView } from './StackView';
import type { ShownStack } from './stacks';
import type { MarginState } from './useMargin';
import { usePresentLine } from './usePresentLine';
import { useStackPlaces } from './useStackPlaces';

interface MarginColumnProps {
  margin: MarginState;
  title: string;
  /** The element whose blocks the glosses stand beside. */
  text: RefObject<HTMLElement | null>;
}

const NO_STACKS: readonly ShownStack[] = [];

/** The stacks that somebody opened: whoever comes back to the page finds them open. */
function useOpenedStacks(pageId: string): { openedKeys: ReadonlySet<string>; toggle: (key: string) => void } {
  const name = `stacks opened on ${pageId}`;
  const [openedKeys, setOpened] = useState<ReadonlySet<string>>(() => new Set(keptPlace(name) as string[] | undefined));
  const latest = useRef(openedKeys);
  const toggle = useCallback(
    (key: string) => {
      const next = new Set(latest.current);
      if (!next.delete(key)) next.add(key);
      latest.current = next;
      keepPlace(name, next.size > 0 ? [...next] : undefined);
      setOpened(next);
    },
    [name],
  );
  return { openedKeys, toggle };
}

/** The Margin beside a page: the glosses of each line at its height, or gathered as it was asked for. */
export const MarginColumn = memo(function MarginColumn({ margin, title, text }: MarginColumnProps) {
  const column = useRef<HTMLDivElement>(null);
  const { group = 'line', isFolded = false } = margin.view;
  const { stacks: all, renew } = margin;
  const stacks = group === 'line' ? all : NO_STACKS;
  const { openedKeys, toggle } = useOpenedStacks(margin.pageId);
  const [focusedKey, setFocused] = useState<string | null>(null);
  const { present, withCursor } = usePresentLine(text, column);
  const presentKey = focusedKey ?? present;
  const { places, candidates, height, highest, mark, head } = useStackPlaces(
    stacks,
    { openedKeys, presentKey, isFolded },
    { body: margin.body, withCursor },
    column,
    text,
  );

  // Glosses are set anew when the cursor leaves the line it was in, not while something is written there.
  useEffect(() => renew, [withCursor, renew]);

  /** Who is in a gloss is at its line; a closed stack is opened by its button alone. */
  const onFocus = (event: FocusEvent) => {
    const glosses = (event.target as Element).closest('.stack-open');
    setFocused(glosses?.closest<HTMLElement>('[data-stack]')?.dataset.stack ?? null);
  };
  const onBlur = (event: FocusEvent) => {
    if (!column.current?.contains(event.relatedTarget as Node | null)) setFocused(null);
  };

  const moving = useMoving(margin, column, setFocused);

  return (
    <Box
      role="complementary"
      ref={column}
      look="margin"
      aria-label="Margin"
      tabIndex={-1}
      onFocus={onFocus}
      onBlur={onBlur}
    >
      <Box ref={head}>
        <MarginHead
          margin={margin}
          onNamed={() => column.current?.querySelector('#also-named')?.scrollIntoView({ block: 'center' })}
        />
      </Box>
      {group === 'line' ? (
        <MovingGlosses value={moving}>
          {mark && <Box look="margin-mark" style={mark} />}
          <Box style={{ height }}>
            {stacks.map((stack) => (
              <StackView
                key={stack.key}
                pageId={margin.pageId}
                stack={stack}
                place={places.get(stack.key)}
                isCandidate={candidates.has(stack.key)}
                isPresent={stack.key === presentKey}
                isHeld={openedKeys.has(stack.key)}
                isFolded={isFolded}
                highest={highest}
                filter={margin.filter}
                order={margin.order}
                onToggle={toggle}
              />
            ))}
          </Box>
        </MovingGlosses>
      ) : (
        <Box look="margin-flow">
          <GatheredGlosses margin={margin} by={group} root="#main" />
        </Box>
      )}
      <Box look="margin-flow">
        <MarginFoot pageId={margin.pageId} title={title} />
      </Box>
    </Box>
  );
});
