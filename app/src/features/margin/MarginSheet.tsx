import { useCallback, useEffect, useRef, type ReactNode } from 'react';
import { GlossView } from './GlossView';
import { linkedWords } from './MarginHead';
import { MarginFoot, MarginGroups, MarginTools, OlderGlosses } from './marginParts';
import { isFiltered } from './marginView';
import { BESIDE, glossKey, type MarginState } from './useMargin';
import { isRemembered, useScrollMemory } from '../../screen/scrollMemory';
import { Fold } from '../../kit/Fold';
import { useSwipeDown } from '../../kit/useSwipeDown';
import { marginScroll, type DrawnMargin } from './useMarginSheet';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { Said } from '../../kit/Words';

interface MarginSheetProps {
  margin: MarginState;
  title: string;
  /** The day, when the page is a day’s. */
  day?: string | null;
  drawn: DrawnMargin;
  onToggle: (isOpen: boolean) => void;
}

/** The Margin on a phone: a strip above the bar that is drawn up to a sheet. */
export function MarginSheet({ margin, title, day = null, drawn, onToggle }: MarginSheetProps) {
  const { isOpen, lineId } = drawn;
  const sheet = useRef<HTMLElement>(null);
  const { total, alsoNamed, kin, view, groups } = margin;
  const { group = 'line', isFolded = false } = view;

  const close = useCallback(() => onToggle(false), [onToggle]);
  useSwipeDown(sheet, isOpen, close);

  useEffect(() => {
    if (!isOpen) return;
    const onKeyDown = (event: KeyboardEvent) => {
      if (event.key === 'Escape') close();
    };
    document.addEventListener('keydown', onKeyDown);
    return () => document.removeEventListener('keydown', onKeyDown);
  }, [isOpen, close]);

  if (total === 0 && alsoNamed === 0 && kin === 0) return null;
  return (
    <Box
      ref={sheet}
      role="complementary"
      look={isOpen ? 'margin-sheet open' : 'margin-sheet'}
      aria-label="Margin"
      dataSet={{ atFoot: '' }}
    >
      <Tap look="margin-grab" aria-expanded={isOpen} onPress={() => onToggle(!isOpen)}>
        <Box look="grab" />
        <Said look="margin-grab-words">
          <Said look="strong">Margin</Said> {linkedWords(margin)}
          {alsoNamed > 0 && <Said look="margin-grab-named">{alsoNamed} also named</Said>}
        </Said>
      </Tap>
      {isOpen && (
        <Drawn key={lineId} pageId={margin.pageId} lineId={lineId}>
          {(total > 0 || isFiltered(view)) && (
            <Fold label="Show" look="margin-show-sheet">
              <MarginTools margin={margin} />
            </Fold>
          )}
          {group === 'line' ? (
            groups.flatMap(({ lineId: beside, glosses }) =>
              glosses.map((gloss) => (
                <Box key={glossKey(gloss)} look="margin-list-gloss" dataSet={{ line: beside ?? 'head' }}>
                  <GlossView gloss={gloss} isFolded={isFolded} />
                </Box>
              )),
            )
          ) : (
            <MarginGroups glosses={margin.glosses} by={group} isFolded={isFolded} />
          )}
          {margin.count > BESIDE && <OlderGlosses margin={margin} root=".margin-list" />}
          <MarginFoot pageId={margin.pageId} title={title} day={day} />
        </Drawn>
      )}
    </Box>
  );
}

/** What is drawn up: scrolled to the line that was asked for, or to where it was left. */
function Drawn({ pageId, lineId, children }: { pageId: string; lineId: string | null; children: ReactNode }) {
  const name = marginScroll(pageId);
  const list = useScrollMemory(name);
  useEffect(() => {
    if (lineId === null || isRemembered(name)) return;
    list.current?.querySelector<HTMLElement>(`[data-line='${lineId}']`)?.scrollIntoView({ block: 'start' });
  }, [lineId, name, list]);
  return (
    <Box ref={list} look="margin-list" tabIndex={0} role="group" aria-label="Lines that point here">
      {children}
    </Box>
  );
}
