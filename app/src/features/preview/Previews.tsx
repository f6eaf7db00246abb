import { useEffect, useRef, useState } from 'react';
import type { Previewed } from './previewed';
import { around } from '../../kit/later';
import { linkOf } from './linkOf';

const PreviewCard = around(async () => (await import('./PreviewCard')).PreviewCard);

/** How long a link is pointed at before its target is shown, and how long the card stays when left, in milliseconds. */
const HOVERED = 350;
const LEFT = 220;
const PRESSED = 450;
/** A finger that moves further than this scrolls, in pixels. */
const STILL = 10;

/** Shows what a link leads to when it is pointed at, chosen by keys, or pressed long. */
export function Previews() {
  const [shown, setShown] = useState<Previewed | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const latest = useRef(shown);
  latest.current = shown;

  useEffect(() => {
    const wait = (act: () => void, milliseconds: number) => {
      if (timer.current) clearTimeout(timer.current);
      timer.current = setTimeout(act, milliseconds);
    };
    const show = (link: HTMLElement, isKept: boolean) => setShown({ target: link.dataset.target!, link, isKept });
    const isInCard = (node: EventTarget | null) => node instanceof Element && node.closest('.preview') !== null;

    const onOver = (event: PointerEvent) => {
      if (event.pointerType === 'touch') return;
      const link = linkOf(event.target);
      if (link) wait(() => show(link, false), latest.current ? 80 : HOVERED);
      else if (isInCard(event.target)) wait(() => undefined, 0);
      else if (latest.current && !latest.current.isKept) wait(() => setShown(null), LEFT);
      else if (!latest.current) wait(() => undefined, 0);
    };
    const onFocus = (event: FocusEvent) => {
      const link = linkOf(event.target);
      if (link && link.matches(':focus-visible')) wait(() => show(link, false), HOVERED);
      else if (!isInCard(event.target)) wait(() => setShown(null), 0);
    };
    // A link that is arrowed onto in the text has no focus of its own.
    const onChosen = (event: Event) => {
      const link = linkOf((event as CustomEvent<Element | null>).detail);
      if (link) wait(() => show(link, true), HOVERED);
      else if (latest.current?.isKept) setShown(null);
    };
    const onKey = (event: KeyboardEvent) => {
      if (isInCard(event.target) && event.key !== 'Escape') return;
      if (latest.current && event.key === 'Escape') event.stopPropagation();
      wait(() => setShown(null), 0);
    };

    let pressed: { x: number; y: number } | null = null;
    const onTouch = (event: TouchEvent) => {
      const link = linkOf(event.target);
      const [touch] = event.touches;
      if (!link || !touch || event.touches.length > 1) {
        if (!isInCard(event.target)) wait(() => setShown(null), 0);
        return;
      }
      pressed = { x: touch.clientX, y: touch.clientY };
      wait(() => {
        show(link, true);
        // The click that ends the press does not follow the link, and no menu of the browser comes up.
        const ignore = (ending: Event) => {
          if (ending.type === 'click' && linkOf(ending.target) !== link) return;
          ending.preventDefault();
          ending.stopPropagation();
        };
        document.addEventListener('contextmenu', ignore, { once: true, capture: true });
        document.addEventListener('touchend', ignore, { once: true, capture: true, passive: false });
        document.addEventListener('click', ignore, { once: true, capture: true });
        setTimeout(() => document.removeEventListener('click', ignore, true), 1_500);
      }, PRESSED);
    };
    const onMove = (event: TouchEvent) => {
      const [touch] = event.touches;
      const isFar = touch && pressed && Math.hypot(touch.clientX - pressed.x, touch.clientY - pressed.y) > STILL;
      if (isFar && timer.current) clearTimeout(timer.current);
    };
    const onEnd = () => {
      if (!latest.current && timer.current) clearTimeout(timer.current);
    };
    const onScroll = (event: Event) => {
      if (latest.current && !isInCard(event.target)) setShown(null);
    };

    document.addEventListener('pointerover', onOver);
    document.addEventListener('focusin', onFocus);
    document.addEventListener('linkchosen', onChosen);
    document.addEventListener('keydown', onKey, true);
    document.addEventListener('touchstart', onTouch, { passive: true });
    document.addEventListener('touchmove', onMove, { passive: true });
    document.addEventListener('touchend', onEnd);
    document.addEventListener('scroll', onScroll, true);
    return () => {
      if (timer.current) clearTimeout(timer.current);
      document.removeEventListener('pointerover', onOver);
      document.removeEventListener('focusin', onFocus);
      document.removeEventListener('linkchosen', onChosen);
      document.removeEventListener('keydown', onKey, true);
      document.removeEventListener('touchstart', onTouch);
      document.removeEventListener('touchmove', onMove);
      document.removeEventListener('touchend', onEnd);
      document.removeEventListener('scroll', onScroll, true);
    };
  }, []);

  return shown ? <PreviewCard key={shown.target} shown={shown} onClose={() => setShown(null)} /> : null;
}
