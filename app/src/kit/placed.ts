import { computePosition, flip, offset, shift, size, type VirtualElement } from '@floating-ui/dom';

interface PlaceOptions {
  /** How far from its cause, in pixels. */
  away?: number;
  /** What it may not lie under: a bar at the bottom, in pixels. */
  bottom?: number;
  /** It is made no lower than this when there is little room, and scrolls. */
  leastHeight?: number;
}

const EDGE = 8;

/** Sets something beside its cause: beneath it where there is room, else above, and always within the window. */
export async function placeBeside(
  cause: Element | VirtualElement,
  element: HTMLElement,
  { away = 6, bottom = 0, leastHeight }: PlaceOptions = {},
): Promise<void> {
  const padding = { top: EDGE, left: EDGE, right: EDGE, bottom: EDGE + bottom };
  const { x, y } = await computePosition(cause, element, {
    strategy: 'fixed',
    placement: 'bottom-start',
    middleware: [
      offset(away),
      flip({ padding, fallbackStrategy: 'bestFit' }),
      shift({ padding }),
      ...(leastHeight === undefined
        ? []
        : [
            size({
              padding,
              apply: ({ availableHeight }) => {
                element.style.maxHeight = `${Math.max(leastHeight, availableHeight)}px`;
              },
            }),
          ]),
    ],
  });
  element.style.left = `${x}px`;
  element.style.top = `${y}px`;
}
