// A mouse is told of last, with the click of a touch; its pointer is told of first.
const GESTURES = ['pointerdown', 'touchstart'] as const;
const CAPTURE = { capture: true } as const;

/**
 * Lifting what was held or dragged may count as a click on it, which must do nothing: the browser tells of it at once, or
 * late when it has much to do. Swallows clicks from now on; once `lift` is called only the one that belongs to what was
 * lifted, which is told of before anything else is begun.
 */
export function swallowClick(): { lift: () => void } {
  let isLifted = false;
  const letGo = () => {
    document.removeEventListener('click', swallow, CAPTURE);
    for (const each of GESTURES) document.removeEventListener(each, letGo, CAPTURE);
  };
  const swallow = (event: MouseEvent) => {
    // Of a key, or of what speaks for a pointer.
    if (event.detail === 0) return;
    event.preventDefault();
    event.stopPropagation();
    if (isLifted) letGo();
  };
  document.addEventListener('click', swallow, CAPTURE);
  return {
    lift: () => {
      isLifted = true;
      for (const each of GESTURES) document.addEventListener(each, letGo, CAPTURE);
    },
  };
}
