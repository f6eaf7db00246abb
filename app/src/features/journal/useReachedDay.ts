import { useEffect, useState } from 'react';

/** How far down the window a day counts as reached, in pixels. */
const LINE = 120;

/** The day that the scroll of days has come to; null while it stands at its head. */
export function useReachedDay(head: string): string | null {
  const [reached, setReached] = useState<string | null>(null);
  useEffect(() => {
    const main = document.getElementById('main');
    if (!main) return;
    let isAsked = false;
    const look = () => {
      isAsked = false;
      const days = [...main.querySelectorAll<HTMLElement>('.day[data-day]')];
      const passed = days.filter((each) => each.getBoundingClientRect().top < LINE);
      const day = passed.at(-1)?.dataset.day ?? null;
      setReached(day === head ? null : day);
    };
    const onScroll = () => {
      if (!isAsked) requestAnimationFrame(look);
      isAsked = true;
    };
    main.addEventListener('scroll', onScroll, { passive: true });
    return () => main.removeEventListener('scroll', onScroll);
  }, [head]);
  return reached;
}
