import { usePathname } from 'expo-router';
import { useEffect, useRef } from 'react';
import { useBlockPlaceQuery, useSettingsQuery } from '../../state/api';
import { store, useAppDispatch } from '../../state/store';
import { chose, sheetOpened, stripOpened } from '../../state/view';
import { doAgain, takeBack } from '../../state/deeds';
import { isMakingPage } from '../outline/making';
import { moveAhead, typeAhead } from '../../kit/typedAhead';
import { comeBackFromOver } from '../../screen/goOver';
import { actOf } from './keys';

const TWICE_WITHIN = 400;
/** How long letters wait until it is known whether they act, in milliseconds. */
const EARLY_WITHIN = 2_000;

/** A page that was just made waits for its title: what is typed meanwhile is no command. */
const isAwaitingTitle = (): boolean =>
  isMakingPage() || (window.location.search.includes('at=title') && document.querySelector('.title-field') === null);

const isInText = (): boolean => {
  const element = document.activeElement as HTMLElement | null;
  return !!element && (element.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/u.test(element.tagName));
};

/** The letter a key stands for: by its place where the layout has no Latin letters. */
export const letterOf = ({ key, code }: Pick<KeyboardEvent, 'key' | 'code'>): string => {
  const isForeign = /^\p{L}$/u.test(key) && !/^\p{Script=Latin}$/u.test(key);
  return isForeign && /^Key[A-Z]$/u.test(code) ? code.slice(3).toLowerCase() : key;
};

/** Whether a key writes something, or takes back what it wrote. */
const isTyped = ({ key }: KeyboardEvent): boolean => Array.from(key).length === 1 || key === 'Backspace';

/** The entry the focus is on in the contents, else the one the address shows. */
export const entryHere = (shownId: string | undefined): string | undefined =>
  (document.activeElement?.closest('[data-entry]') as HTMLElement | null)?.dataset.entry ?? shownId;

/** The id of the page, section or notebook an address shows. */
export function useShownEntry(): string | undefined {
  const match = /^\/(p|n|b)\/([0-9a-f-]{36})/u.exec(usePathname());
  const isBlock = match?.[1] === 'b';
  const { currentData: block } = useBlockPlaceQuery(match?.[2] ?? '', { skip: !isBlock });
  return isBlock ? (block?.pageId ?? undefined) : match?.[2];
}

/** The keys that act out of text, and Shift pressed twice, which acts in text too. */
export function useKeys(): void {
  const dispatch = useAppDispatch();
  const { data: settings, isError } = useSettingsQuery();
  const shownId = useShownEntry();
  /** Null until it is known whether letters may act. */
  const hasLetters = settings ? settings.letters !== false : isError || null;
  const latest = useRef({ shownId, hasLetters });
  latest.current = { shownId, hasLetters };
  /** What was pressed before that was known, in order: a letter, and what is typed after one that makes a page. */
  const early = useRef<KeyboardEvent[]>([]);
  const take = useRef<(event: KeyboardEvent) => void>(() => undefined);

  useEffect(() => {
    if (hasLetters === null) return;
    const waiting = early.current.splice(0);
    const [first] = waiting;
    if (!first || !hasLetters || isInText() || performance.now() - first.timeStamp > EARLY_WITHIN) return;
    waiting.forEach((event) => take.current(event));
  }, [hasLetters]);

  useEffect(() => {
    let lastShift = 0;
    let isShiftAlone = false;

    /** Seen before anything takes the key for itself: Shift with another key is not Shift alone. */
    const watchShift = (event: KeyboardEvent) => {
      isShiftAlone = event.key === 'Shift' && !event.repeat && !event.altKey && !event.ctrlKey && !event.metaKey;
      if (event.key !== 'Shift') lastShift = 0;
    };
    const onKeyDown = (event: KeyboardEvent) => {
      if (!event.isComposing && !event.defaultPrevented && !isInText()) take.current(event);
    };
    take.current = (event) => {
      if (isAwaitingTitle()) return void (typeAhead(event) && event.preventDefault());
      const dialog = document.querySelector('[role=dialog]');
      const { sheet } = store.getState().view;
      if (sheet && !dialog?.contains(document.activeElement)) {
        // A sheet is on its way, or has not taken the focus yet.
        if (event.key === 'Escape') return void dispatch(sheetOpened(null));
        if (typeAhead(event) || moveAhead(sheet.for, event)) return event.preventDefault();
      }
      if (dialog || document.querySelector('.key-strip')) return;
      if (event.key === 'Escape' && store.getState().view.chosen) return void dispatch(chose(null));
      if (event.key === 'Escape' && comeBackFromOver()) return event.preventDefault();
      if ((event.ctrlKey || event.metaKey) && !event.altKey && event.key.toLowerCase() === 'z') {
        event.preventDefault();
        return void (event.shiftKey ? doAgain() : takeBack());
      }
      if (event.altKey && event.key === 'Enter') {
        // The menu of what is shown; what has the focus opens its own before.
        event.preventDefault();
        return document.getElementById('page-menu')?.click();
      }
      if (event.ctrlKey || event.metaKey || event.altKey || latest.current.hasLetters === false) return;
      const act = actOf(letterOf(event));
      // What moves may be meant for the sheet that an early letter opens.
      const isAlong = early.current.length > 0 && !/^(Tab|Shift|Escape)$/u.test(event.key);
      if (latest.current.hasLetters === null && ((act && isTyped(event)) || isAlong)) {
        early.current.push(event);
        return event.preventDefault();
      }
      if (!act) return;
      event.preventDefault();
      void act({ entryId: entryHere(latest.current.shownId) });
    };
    const onKeyUp = (event: KeyboardEvent) => {
      if (event.key !== 'Shift' || !isShiftAlone) return;
      const now = Date.now();
      if (now - lastShift < TWICE_WITHIN) {
        lastShift = 0;
        dispatch(stripOpened(!store.getState().view.isStripOpen));
      } else {
        lastShift = now;
      }
    };
    /** Shift held for a click is not Shift pressed. */
    const onPointerDown = () => {
      isShiftAlone = false;
      lastShift = 0;
    };
    document.addEventListener('pointerdown', onPointerDown, true);
    document.addEventListener('keydown', watchShift, true);
    document.addEventListener('keydown', onKeyDown);
    document.addEventListener('keyup', onKeyUp);
    return () => {
      document.removeEventListener('pointerdown', onPointerDown, true);
      document.removeEventListener('keydown', watchShift, true);
      document.removeEventListener('keydown', onKeyDown);
      document.removeEventListener('keyup', onKeyUp);
    };
  }, [dispatch]);
}
