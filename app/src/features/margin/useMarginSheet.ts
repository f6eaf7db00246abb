import { useCallback, useState } from 'react';
import { useCover } from '../../kit/covers';
import { keepPlace, keptPlace } from '../../screen/keptPlaces';

/** Whether the sheet is drawn up, and the line whose glosses were asked for. */
export interface DrawnMargin {
  isOpen: boolean;
  lineId: string | null;
}

const AWAY: DrawnMargin = { isOpen: false, lineId: null };

/** How far the sheet of a page's Margin is scrolled is kept under this name. */
export const marginScroll = (pageId: string): string => `margin of ${pageId} scrolled`;

/** The sheet of a page's Margin: whoever comes back to the page finds it as it was. */
export function useMarginSheet(pageId: string) {
  const name = `margin of ${pageId}`;
  const [drawn, setDrawn] = useState(() => (keptPlace(name) as DrawnMargin | undefined) ?? AWAY);
  const draw = useCallback(
    (next: DrawnMargin) => {
      keepPlace(name, next);
      // Asked for anew, it begins where it was asked for.
      keepPlace(marginScroll(pageId), undefined);
      setDrawn(next);
    },
    [name, pageId],
  );
  useCover(drawn.isOpen, () => draw(AWAY));
  return {
    drawn,
    toggle: useCallback((isOpen: boolean) => draw({ isOpen, lineId: null }), [draw]),
    showLine: useCallback((lineId: string) => draw({ isOpen: true, lineId }), [draw]),
  };
}
