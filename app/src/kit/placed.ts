import type { VirtualElement } from '@floating-ui/dom';
import { whenAtRest } from './atRest';

/** Its code comes when the first screen is at rest, or with the first that is placed. */
const floating = () => import('@floating-ui/dom');
whenAtRest(() => void floating().catch(() => undefined));

interface PlaceOptions {
  /** How far from its cause, in pixels. */
  away?: number;
  /** What it may not lie under: a bar at the bottom, in pixels. */
  bottom?: number;
  /** It is made no lower than this when there is little room, and scrolls. */
  leastHeight?: number;
}

const EDGE = 8;

/** Beneath its cause, within the window: without what finds the best place it is seen all the same. */
function placeAnyway(cause: Element | VirtualElement, element: HTMLElement, away: number): void {
  const { left, bottom } = cause.getBoundingClientRect();
  const within = (wanted: number, size: number, room: number) => Math.max(EDGE, Math.min(wanted, room - size - EDGE));
  element.style.left = `${within(left, element.offsetWidth, window.innerWidth)}px`;
  element.style.top = `${within(bottom + away, element.offsetHeight, window.innerHeight)}px`;
  element.style.opacity = '';
}

/** Sets something beside its cause: beneath it where there is room, else above, and always within the window. */
export async function placeBeside(
  cause: Element | VirtualElement,
  element: HTMLElement,
  { away = 6, bottom = 0, leastHeight }: PlaceOptions = {},
): Promise<void> {
  // It is seen where it stands, and nowhere before.
  if (element.style.left === '') element.style.opacity = '0';
  const kit = await floating().catch(() => null);
  if (!kit) return placeAnyway(cause, element, away);
  const { computePosition, flip, offset, shift, size } = kit;
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
  element.style.opacity = '';
}
