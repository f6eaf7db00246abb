import { useCallback, useEffect, useRef, useState, type ReactNode } from 'react';
import { GlossView } from './GlossView';
import { linkedWords } from './MarginHead';
import { GatheredGlosses, MarginFoot, MarginTools, StackRest } from './marginParts';
import { MovingGlosses, useMoving } from './moving';
import { glossKey, besideWords, type ShownStack } from './stacks';
import { isFiltered } from './marginView';
import type { MarginState } from './useMargin';
import { isRemembered, useScrollMemory } from '../../screen/scrollMemory';
import { Fold } from '../../kit/Fold';
import { useSwipeAcross } from '../../kit/useSwipeAcross';
import { useSwipeDown } from '../../kit/useSwipeDown';
import { marginScroll, type DrawnMargin } from './useMarginSheet';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { Line, Said } from '../../kit/Words';

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
  const { total, alsoNamed, kin, view, stacks } = margin;
  const { group = 'line', isFolded = false } = view;
  const moving = useMoving(margin, sheet);

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
        <Drawn key={lineId} pageId={margin.pageId} lineId={lineId} stacks={group === 'line' ? stacks : NO_STACKS}>
          {(total > 0 || isFiltered(view)) && (
            <Fold label="Show" look="margin-show-sheet">
              <MarginTools margin={margin} />
            </Fold>
          )}
          {group === 'line' ? (
            <MovingGlosses value={moving}>
              {stacks.map((stack) => (
                <SheetStack key={stack.key} margin={margin} stack={stack} isFolded={isFolded} />
              ))}
            </MovingGlosses>
          ) : (
            <GatheredGlosses margin={margin} by={group} root=".margin-list" />
          )}
          <MarginFoot pageId={margin.pageId} title={title} day={day} />
        </Drawn>
      )}
    </Box>
  );
}

/** What is drawn up: scrolled to the line that was asked for, or to where it was left. */
function Drawn({ pageId, lineId, stacks, children }: DrawnProps) {
  const name = marginScroll(pageId);
  const list = useScrollMemory(name);
  const [at, setAt] = useState(0);
  const element = (index: number) => {
    const stack = stacks[index];
    return stack ? list.current?.querySelector<HTMLElement>(`[data-stack='${stack.key}']`) : null;
  };
  /** The stack that was asked for is the one that is read until somebody scrolls: the last can't come to the top. */
  const asked = useRef(false);
  const show = (index: number) => {
    asked.current = true;
    setAt(index);
    element(index)?.scrollIntoView({ block: 'start' });
  };
  const latest = useRef(show);
  latest.current = show;
  const indexAsked = stacks.findIndex(({ key }) => key === lineId);
  const isKnown = indexAsked >= 0;
  useEffect(() => {
    if (isKnown && !isRemembered(name)) latest.current(indexAsked);
    // Where it begins; what comes above it later moves nothing.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isKnown, name]);
  useEffect(() => {
    const scrolled = list.current;
    if (!scrolled) return;
    const leave = () => {
      asked.current = false;
    };
    // Else it is the last that begins at the top of what is seen, or above it.
    const find = () => {
      if (asked.current) return;
      const top = scrolled.getBoundingClientRect().top + 12;
      const tops = [...scrolled.querySelectorAll('[data-stack]')].map((each) => each.getBoundingClientRect().top);
      setAt(Math.max(0, tops.filter((each) => each <= top).length - 1));
    };
    find();
    scrolled.addEventListener('scroll', find, { passive: true });
    for (const each of GESTURES) scrolled.addEventListener(each, leave, { passive: true });
    return () => {
      scrolled.removeEventListener('scroll', find);
      for (const each of GESTURES) scrolled.removeEventListener(each, leave);
    };
  }, [list, stacks]);
  useSwipeAcross(list, (by) => show(Math.max(0, Math.min(stacks.length - 1, at + by))));
  const present = stacks[at];
  return (
    <>
      {present && stacks.length > 1 && (
        <Box look="margin-steps">
          <Tap
            aria-label="The line before"
            dataSet={{ end: at === 0 || undefined }}
            onPress={() => show(Math.max(0, at - 1))}
          >
            ‹
          </Tap>
          <Line look="margin-steps-words" role="status">
            {at + 1} of {stacks.length}: {besideWords(present)}
          </Line>
          <Tap
            aria-label="The next line"
            dataSet={{ end: at === stacks.length - 1 || undefined }}
            onPress={() => show(Math.min(stacks.length - 1, at + 1))}
          >
            ›
          </Tap>
        </Box>
      )}
      <Box ref={list} look="margin-list" tabIndex={0} role="group" aria-label="Lines that point here">
        {children}
      </Box>
    </>
  );
}

interface DrawnProps {
  pageId: string;
  lineId: string | null;
  stacks: readonly ShownStack[];
  children: ReactNode;
}

const NO_STACKS: readonly ShownStack[] = [];
/** By which somebody scrolls. */
const GESTURES = ['touchmove', 'wheel', 'keydown', 'pointerdown'] as const;

/** The glosses of one line, under the beginning of it. */
function SheetStack({ margin, stack, isFolded }: { margin: MarginState; stack: ShownStack; isFolded: boolean }) {
  const { key, count, glosses } = stack;
  const beside = besideWords(stack);
  return (
    <Box role="group" aria-label={`${count} here, ${beside}`} look="margin-sheet-stack" dataSet={{ stack: key }}>
      <Line look="margin-sheet-line">{beside}</Line>
      {glosses.map((gloss) => (
        <Box key={glossKey(gloss)} look="margin-list-gloss" dataSet={{ gloss: glossKey(gloss), line: key }}>
          <GlossView gloss={gloss} isFolded={isFolded} beside={beside} />
        </Box>
      ))}
      {glosses.length < count && (
        <StackRest
          pageId={margin.pageId}
          stack={stack}
          filter={margin.filter}
          order={margin.order}
          from={glosses.length}
          isFolded={isFolded}
        />
      )}
    </Box>
  );
}
