import { usePathname } from 'expo-router';
import { useEffect, useRef } from 'react';
import { api } from '../../state/api';
import { store, useAppDispatch } from '../../state/store';
import { goOpened, keysOpened, marginToggled, noticed } from '../../state/view';
import { useMakePage } from '../outline/useMakePage';
import { lastingAddress, open } from '../shell/navigation';

const TWICE_WITHIN = 400;

/** A page that was just made waits for its title: what is typed meanwhile is no command. */
const isAwaitingTitle = (): boolean =>
  window.location.search.includes('at=title') && document.querySelector('.title-field') === null;

const isInText = (): boolean => {
  const element = document.activeElement as HTMLElement | null;
  return !!element && (element.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/u.test(element.tagName));
};

/** The keys that act out of text, and Shift pressed twice, which acts in text too. */
export function useKeys(): void {
  const dispatch = useAppDispatch();
  const path = usePathname();
  const makePage = useMakePage();
  const state = useRef({ path, makePage });
  state.current = { path, makePage };

  useEffect(() => {
    let lastShift = 0;
    let isShiftAlone = false;

    const pageHere = () => /^\/p\/([0-9a-f-]{36})/u.exec(state.current.path)?.[1];
    const notebook = (place: number) => {
      const { data } = api.endpoints.notebooks.select()(store.getState());
      const chosen = data?.[place];
      if (chosen) open(`/n/${chosen.id}`);
    };
    const letters: Record<string, () => void> = {
      t: () => open('/today'),
      d: () => open('/desk'),
      b: () => open('/notebooks'),
      f: () => open('/find'),
      g: () => void dispatch(goOpened(true)),
      m: () => void dispatch(marginToggled()),
      '?': () => void dispatch(keysOpened(true)),
      n: () => void state.current.makePage('beside', pageHere()),
      u: () => void state.current.makePage('beneath', pageHere()),
      l: () => {
        const page = pageHere();
        const address = page ? lastingAddress('p', page) : window.location.href;
        void navigator.clipboard
          ?.writeText(address)
          .then(() => dispatch(noticed({ words: 'The link to this page is on the clipboard.' })))
          .catch(() => dispatch(noticed({ words: `The clipboard can’t be reached. The link is ${address}` })));
      },
    };

    const onKeyDown = (event: KeyboardEvent) => {
      isShiftAlone = event.key === 'Shift' && !event.repeat;
      if (event.key !== 'Shift') lastShift = 0;
      if (event.ctrlKey || event.metaKey || event.altKey || event.isComposing || event.defaultPrevented) return;
      if (isInText() || isAwaitingTitle() || document.querySelector('[role=dialog]')) return;
      const act = /^[1-9]$/u.test(event.key) ? () => notebook(Number(event.key) - 1) : letters[event.key];
      if (!act) return;
      event.preventDefault();
      act();
    };
    const onKeyUp = (event: KeyboardEvent) => {
      if (event.key !== 'Shift' || !isShiftAlone) return;
      const now = Date.now();
      if (now - lastShift < TWICE_WITHIN) {
        lastShift = 0;
        dispatch(goOpened(true));
      } else {
        lastShift = now;
      }
    };
    document.addEventListener('keydown', onKeyDown);
    document.addEventListener('keyup', onKeyUp);
    return () => {
      document.removeEventListener('keydown', onKeyDown);
      document.removeEventListener('keyup', onKeyUp);
    };
  }, [dispatch]);
}
