import type { Editor } from '@tiptap/core';
import type { EditorState, Transaction } from '@tiptap/pm/state';
import { useEffect, useRef, useState } from 'react';
import {
  actedRange,
  backIntoText,
  choose,
  chooseNone,
  chosenIds,
  chosenRange,
  idsInRange,
  takeKeysOf,
  countOf,
  withChildren,
} from './chosen';
import { announcePlace } from './announcePlace';
import { Sign, type SignName } from '../kit/Sign';
import { Dock } from './Dock';
import { enterToolbar, walkToolbar } from '../kit/toolbarKeys';
import { noteCut, writeCopy } from './clipboard';
import { duplicateBlocks, indent, moveLine, removeBlocks, tick } from './outline';

interface BlockBarProps {
  editor: Editor;
  onMenu: () => void;
}

type Edit = (state: EditorState) => Transaction | null;

const indexOfHead = (state: EditorState): { anchor: number; head: number } => {
  const { first, last } = actedRange(state);
  const isUpward = chosenIds(state)?.headId === state.doc.child(first).attrs.id;
  return isUpward ? { anchor: last, head: first } : { anchor: first, head: last };
};

/** Changes whenever other blocks are chosen, or none any more. */
function useChosen(editor: Editor): { count: number; key: string } | null {
  const [chosen, setChosen] = useState<{ count: number; key: string } | null>(null);
  useEffect(() => {
    const read = () => {
      const range = chosenRange(editor.state);
      const ids = range ? idsInRange(editor.state, range) : [];
      const count = range ? countOf(editor.state, range) : 0;
      const next = range ? { count, key: `${ids.join()} ${count}` } : null;
      setChosen((before) => (before?.key === next?.key ? before : next));
    };
    read();
    editor.on('transaction', read);
    return () => void editor.off('transaction', read);
  }, [editor]);
  return chosen;
}

/** Stands in for the cursor while whole lines are chosen: takes the keys, and shows what can be done. */
export function BlockBar({ editor, onMenu }: BlockBarProps) {
  const bar = useRef<HTMLDivElement>(null);
  const chosen = useChosen(editor);
  const isOpen = chosen !== null;

  useEffect(() => {
    if (isOpen) bar.current?.focus({ preventScroll: true });
  }, [isOpen]);

  useEffect(() => {
    if (!chosen) return;
    const { head } = indexOfHead(editor.state);
    let position = 0;
    for (let index = 0; index < head; index += 1) position += editor.state.doc.child(index).nodeSize;
    const element = editor.view.nodeDOM(position) as HTMLElement | null;
    element?.scrollIntoView?.({ block: 'nearest' });
  }, [chosen, editor]);

  const dispatch = (edit: Edit): void => {
    const transaction = edit(editor.state);
    if (transaction) editor.view.dispatch(transaction);
  };
  const move = (edit: Edit): void => {
    dispatch(edit);
    announcePlace(editor.state);
  };
  const step = (by: number, isExtending: boolean): void => {
    const { anchor, head } = indexOfHead(editor.state);
    const next = Math.max(0, Math.min(head + by, editor.state.doc.childCount - 1));
    dispatch((state) => choose(state, isExtending ? anchor : next, next));
  };
  const remove = (): void => {
    dispatch((state) => removeBlocks(state).setMeta('addToHistory', true));
    backIntoText(editor.view);
  };
  const leave = (): void => {
    dispatch(chooseNone);
    document.getElementById('main')?.focus({ preventScroll: true });
  };

  /** Esc has freed Tab: it leaves the text for what stands after it, or with Shift before it. */
  const leaveText = (): void => {
    editor.view.dom.focus({ preventScroll: true });
    dispatch(chooseNone);
  };

  const takeKey = (event: KeyboardEvent): void => {
    const isCommand = event.metaKey || event.ctrlKey;
    const isOnButton = event.target instanceof HTMLButtonElement;
    if (event.key === 'Tab') return leaveText();
    if (isOnButton && (event.key === 'Enter' || event.key === ' ') && !isCommand && !event.altKey) return;
    if (event.altKey && event.key === 'Enter') {
      event.preventDefault();
      return void enterToolbar(bar.current);
    }
    if (isOnButton && !event.altKey && walkToolbar(bar.current!, event.key)) return event.preventDefault();
    const deeds: Record<string, () => void> = {
      ArrowUp: () => (event.altKey ? move((state) => moveLine(state, -1)) : step(-1, event.shiftKey)),
      ArrowDown: () => (event.altKey ? move((state) => moveLine(state, 1)) : step(1, event.shiftKey)),
      ...(event.altKey &&
        event.shiftKey && {
          ArrowRight: () => move((state) => indent(state, 1)),
          ArrowLeft: () => move((state) => indent(state, -1)),
        }),
      Delete: remove,
      Backspace: remove,
      Escape: leave,
      Enter: () => (isCommand ? dispatch(tick) : backIntoText(editor.view)),
      ...(isCommand && {
        a: () => dispatch((state) => choose(state, 0, state.doc.childCount - 1)),
        d: () => dispatch(duplicateBlocks),
        z: () => void (event.shiftKey ? editor.commands.redo() : editor.commands.undo()),
        y: () => void editor.commands.redo(),
      }),
    };
    const deed = deeds[event.key.length === 1 ? event.key.toLowerCase() : event.key];
    if (!deed || event.isComposing) return;
    event.preventDefault();
    deed();
  };

  takeKeysOf(editor, takeKey);
  if (!chosen) return null;

  const copy = (event: React.ClipboardEvent, isCut: boolean): void => {
    const takeAway = () => {
      noteCut(idsInRange(editor.state, withChildren(editor.state, actedRange(editor.state))));
      remove();
    };
    if (writeCopy(editor.view, event.clipboardData, isCut ? takeAway : undefined)) event.preventDefault();
  };

  return (
    <Dock label="Chosen lines">
      <div
        ref={bar}
        className="block-bar"
        data-at-foot=""
        role="toolbar"
        tabIndex={-1}
        aria-label={chosen.count === 1 ? 'A line is chosen' : `${chosen.count} lines are chosen`}
        onKeyDown={(event) => takeKey(event.nativeEvent)}
        onCopy={(event) => copy(event, false)}
        onCut={(event) => copy(event, true)}
        onPaste={(event) => {
          backIntoText(editor.view);
          editor.view.pasteHTML(
            event.clipboardData.getData('text/html') || event.clipboardData.getData('text/plain'),
            event.nativeEvent,
          );
          event.preventDefault();
        }}
      >
        <span className="block-bar-count">{chosen.count === 1 ? '1 line' : `${chosen.count} lines`}</span>
        <BarButton label="Choose the line above too" sign="up" words="+" onPress={() => step(-1, true)} />
        <BarButton label="Choose the line below too" sign="down" words="+" onPress={() => step(1, true)} />
        <BarButton label="Outdent" sign="outdent" onPress={() => move((state) => indent(state, -1))} />
        <BarButton label="Indent" sign="indent" onPress={() => move((state) => indent(state, 1))} />
        <BarButton label="What can be done with them" words="¶" onPress={onMenu} />
        <BarButton label="Delete lines" sign="delete" onPress={remove} />
        <BarButton label="Done choosing" words="Done" onPress={leave} />
      </div>
    </Dock>
  );
}

interface BarButtonProps {
  label: string;
  sign?: SignName;
  words?: string;
  onPress: () => void;
}

function BarButton({ label, sign, words, onPress }: BarButtonProps) {
  return (
    <button type="button" aria-label={label} onMouseDown={(event) => event.preventDefault()} onClick={onPress}>
      {sign && <Sign name={sign} />}
      {words}
    </button>
  );
}
