import { useEffect, useRef } from 'react';
import { GlossView } from './GlossView';
import { linkedWords } from './MarginHead';
import { MarginFoot, MarginGroups, MarginTools, OlderGlosses } from './marginParts';
import { isFiltered } from './marginView';
import { BESIDE, glossKey, type MarginState } from './useMargin';
import { Fold } from '../../kit/Fold';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { Said } from '../../kit/Words';

interface MarginSheetProps {
  margin: MarginState;
  title: string;
  /** The day, when the page is a day’s. */
  day?: string | null;
  /** Whether it is drawn up, and the line whose glosses were asked for. */
  isOpen: boolean;
  lineId: string | null;
  onToggle: (isOpen: boolean) => void;
}

/** The Margin on a phone: a strip above the bar that is drawn up to a sheet. */
export function MarginSheet({ margin, title, day = null, isOpen, lineId, onToggle }: MarginSheetProps) {
  const list = useRef<HTMLDivElement>(null);
  const { total, alsoNamed, kin, view, groups } = margin;
  const { group = 'line', isFolded = false } = view;

  useEffect(() => {
    if (!isOpen) return;
    const asked = list.current?.querySelector<HTMLElement>(`[data-line='${lineId ?? 'head'}']`);
    if (lineId !== null) asked?.scrollIntoView({ block: 'start' });
  }, [isOpen, lineId]);

  useEffect(() => {
    if (!isOpen) return;
    const close = (event: KeyboardEvent) => {
      if (event.key === 'Escape') onToggle(false);
    };
    document.addEventListener('keydown', close);
    return () => document.removeEventListener('keydown', close);
  }, [isOpen, onToggle]);

  if (total === 0 && alsoNamed === 0 && kin === 0) return null;
  return (
    <Box role="complementary" look={isOpen ? 'margin-sheet open' : 'margin-sheet'} aria-label="Margin">
      <Tap look="margin-grab" aria-expanded={isOpen} onPress={() => onToggle(!isOpen)}>
        <Box look="grab" />
        <Said look="margin-grab-words">
          <Said look="strong">Margin</Said> {linkedWords(margin)}
          {alsoNamed > 0 && <Said look="margin-grab-named">{alsoNamed} also named</Said>}
        </Said>
      </Tap>
      {isOpen && (
        <Box ref={list} look="margin-list" tabIndex={0} role="group" aria-label="Lines that point here">
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
        </Box>
      )}
    </Box>
  );
}
