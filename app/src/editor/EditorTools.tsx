import type { Editor } from '@tiptap/core';
import { useEffect, useRef, useState, useSyncExternalStore, type RefObject } from 'react';
import { later } from '../kit/later';
import { useAppSelector } from '../state/store';
import { enterToolbar } from '../kit/toolbarKeys';
import { useWindowWidth } from '../theme/rem';
import { measure } from '../theme/tokens';
import { BlockBar } from './BlockBar';
import { BlockHandle, indexAtHeight } from './BlockHandle';
import { dayOf } from './calendarFiles';
import { actedRange, choose } from './chosen';
import type { LineActs } from './lineActs';
import { TableBar } from './TableBar';
import { Toolbar } from './Toolbar';

const BlockMenu = later(async () => (await import('./BlockMenu')).BlockMenu, true);
const SearchPanel = later(async () => (await import('./SearchPanel')).SearchPanel, true);

interface EditorToolsProps {
  editor: Editor;
  pageId: string;
  lines: LineActs;
  text: RefObject<HTMLElement | null>;
  /** Whether it is the page that finding and replacing is about. */
  isMain: boolean;
}

/** What stands around the text while it is written. */
export function EditorTools({ editor, pageId, lines, text, isMain }: EditorToolsProps) {
  const [isMenuOpen, setMenuOpen] = useState(false);
  const isSearchOpen = useAppSelector((state) => state.view.isSearchOpen);
  const isPhone = useWindowWidth() < measure.wide;
  const isTouched = useCoarsePointer();
  useChoosingByPointer(editor, text);
  const openMenu = () => setMenuOpen(true);
  const meet = () => {
    const { attrs } = editor.state.doc.child(actedRange(editor.state).first);
    void lines.meet({ pageId, ids: [String(attrs.id)] });
  };
  useEffect(() => {
    // In a table its tools, else the menu of the line.
    (editor.storage as unknown as { blockKeys: { openTools: () => boolean } }).blockKeys.openTools = () => {
      if (!enterToolbar(document.querySelector<HTMLElement>('.table-bar'))) setMenuOpen(true);
      return true;
    };
  }, [editor]);
  return (
    <>
      {isMain && isSearchOpen && <SearchPanel editor={editor} />}
      <BlockHandle editor={editor} text={text} onMenu={openMenu} />
      <TableBar editor={editor} text={text} />
      <BlockBar editor={editor} onMenu={openMenu} />
      {(isPhone || isTouched) && (
        <Toolbar editor={editor} onMenu={openMenu} onMeet={dayOf(editor.view.dom) === null ? undefined : meet} />
      )}
      {isMenuOpen && <BlockMenu editor={editor} pageId={pageId} acts={lines} onClose={() => setMenuOpen(false)} />}
    </>
  );
}

const COARSE = '(pointer: coarse)';

/** Whether what points here is a finger: on a phone held across and on a tablet too. */
function useCoarsePointer(): boolean {
  return useSyncExternalStore(
    (onChange) => {
      const query = window.matchMedia(COARSE);
      query.addEventListener('change', onChange);
      return () => query.removeEventListener('change', onChange);
    },
    () => window.matchMedia(COARSE).matches,
  );
}

/** Less than after which a browser shows its own menu. */
const LONG_PRESS = 420;
const SLACK = 10;

/**
 * Lines are chosen by drawing the mouse over them from beside the text, and by a long press while nothing is being
 * written. (A long press in the text that has the cursor chooses a word, as everywhere.)
 */
function useChoosingByPointer(editor: Editor, text: RefObject<HTMLElement | null>): void {
  const anchor = useRef<number | null>(null);
  useEffect(() => {
    const frame = text.current;
    if (!frame) return;
    const column = frame.closest<HTMLElement>('.page-column, .day, .beside') ?? frame;
    let timer: ReturnType<typeof setTimeout> | null = null;
    let start = { x: 0, y: 0 };
    const cancel = () => {
      if (timer) clearTimeout(timer);
      timer = null;
    };
    const chooseTo = (y: number) => {
      if (anchor.current === null) return;
      editor.view.dispatch(choose(editor.state, anchor.current, indexAtHeight(editor, y)));
    };
    const onDown = (event: PointerEvent) => {
      const target = event.target as HTMLElement;
      if (target.closest('button, input, a, audio, iframe, .toolbar, .search-panel')) return;
      start = { x: event.clientX, y: event.clientY };
      if (event.pointerType === 'mouse') {
        const isBeside = target === frame || target === column || target.classList.contains('page-text');
        const { top, bottom } = frame.getBoundingClientRect();
        const isAlong = event.clientY >= top && event.clientY <= bottom;
        if (!isBeside || !isAlong || event.button !== 0) return;
        event.preventDefault();
        anchor.current = indexAtHeight(editor, event.clientY);
        return;
      }
      if (editor.isFocused || !frame.contains(target)) return;
      timer = setTimeout(() => {
        timer = null;
        const index = indexAtHeight(editor, event.clientY);
        editor.view.dispatch(choose(editor.state, index, index));
        // What a browser makes of the rest of the touch would put the cursor into the text.
        const ignore = (rest: Event) => rest.preventDefault();
        frame.addEventListener('contextmenu', ignore, { once: true });
        frame.addEventListener('touchend', ignore, { once: true, passive: false });
      }, LONG_PRESS);
    };
    const onMove = (event: PointerEvent) => {
      if (timer && Math.hypot(event.clientX - start.x, event.clientY - start.y) > SLACK) cancel();
      if (anchor.current !== null && event.buttons === 1 && Math.abs(event.clientY - start.y) > 3)
        chooseTo(event.clientY);
    };
    const onUp = () => {
      cancel();
      anchor.current = null;
    };
    column.addEventListener('pointerdown', onDown);
    window.addEventListener('pointermove', onMove);
    window.addEventListener('pointerup', onUp);
    window.addEventListener('pointercancel', onUp);
    return () => {
      cancel();
      column.removeEventListener('pointerdown', onDown);
      window.removeEventListener('pointermove', onMove);
      window.removeEventListener('pointerup', onUp);
      window.removeEventListener('pointercancel', onUp);
    };
  }, [editor, text]);
}
