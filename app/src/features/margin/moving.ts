import { createContext, useCallback, useContext, useEffect, useMemo, useRef, type RefObject } from 'react';
import { HEAD, type Gloss } from '@glossarion/core/margin';
import { perform } from '../../state/deeds';
import { originOf } from './origin';
import { besideWords, glossKey } from './stacks';
import type { LineChoice, MarginState } from './useMargin';

/** What a gloss needs to be set beside another line of the page. */
export interface GlossMoving {
  /** The lines it can be set beside, in their order. */
  lines: () => LineChoice[];
  /** Sets it beside a line; null for the title. */
  move: (gloss: Gloss, lineId: string | null) => void;
  /** Sets it one line up or down. */
  step: (gloss: Gloss, by: 1 | -1) => void;
  /** Leaves it where it would stand by itself. */
  letGo: (gloss: Gloss) => void;
  /** Keeps one in its place while it is written in, until what is given back is called. */
  hold: (gloss: Gloss) => () => void;
}

/** Null where glosses are shown by themselves. */
const Moving = createContext<GlossMoving | null>(null);
export const MovingGlosses = Moving.Provider;
export const useGlossMoving = (): GlossMoving | null => useContext(Moving);

/**
 * Moves glosses of a Margin; the focus goes along with the one that was moved by a key.
 *
 * @param open opens the stack that such a gloss has come into
 */
export function useMoving(
  { pageId, lines, stacks, hold }: MarginState,
  within: RefObject<HTMLElement | null>,
  open?: (stack: string) => void,
): GlossMoving {
  const followed = useRef<{ gloss: string; stack: string } | null>(null);
  // Whenever something was drawn: it comes into its new place first, and this may have to be opened then.
  useEffect(() => {
    if (!followed.current) return;
    // Who writes somewhere by now is not taken away from there.
    if (document.activeElement?.matches('[contenteditable=true], input, textarea')) {
      followed.current = null;
      return;
    }
    const { gloss, stack } = followed.current;
    if (!stacks.find(({ key }) => key === stack)?.glosses.some((each) => glossKey(each) === gloss)) return;
    const places = within.current?.querySelectorAll(`[data-stack="${stack}"] [data-gloss="${CSS.escape(gloss)}"]`);
    const shown = [...(places ?? [])].find((each) => !each.closest('.measured'));
    if (!shown) return open?.(stack);
    followed.current = null;
    shown.querySelector<HTMLElement>('a, button')?.focus({ preventScroll: true });
  });

  const move = useCallback(
    (gloss: Gloss, lineId: string | null) => {
      const lineWords = lines().find(({ id }) => id === lineId)?.words ?? '';
      const { words } = originOf(gloss);
      void perform(
        [{ do: 'moveGloss', id: pageId, blockId: gloss.blockId, lineId, isMoved: true }],
        `What ${words} says stands ${besideWords({ lineId, lineWords })} now.`,
      );
    },
    [pageId, lines],
  );
  return useMemo(
    () => ({
      lines,
      move,
      hold,
      step: (gloss, by) => {
        const all = lines();
        const at = all.findIndex(({ id }) => id === gloss.lineId);
        const next = at + by;
        if (next < -1 || next >= all.length) return;
        const lineId = all[next]?.id ?? null;
        followed.current = { gloss: glossKey(gloss), stack: lineId ?? HEAD };
        move(gloss, lineId);
      },
      letGo: (gloss) =>
        void perform(
          [{ do: 'moveGloss', id: pageId, blockId: gloss.blockId, lineId: null, isMoved: false }],
          `What ${originOf(gloss).words} says stands where it fits again.`,
        ),
    }),
    [pageId, lines, move, hold],
  );
}
