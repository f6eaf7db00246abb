import type { Editor } from '@tiptap/core';
import type { EditorState, Transaction } from '@tiptap/pm/state';
import { useEffect, useState } from 'react';
import { HIGHLIGHTS } from '@glossarion/core/document';
import { Sign, type SignName } from '../kit/Sign';
import { store } from '../state/store';
import { sheetOpened } from '../state/view';
import { Dock } from './Dock';
import { actedRange } from './chosen';
import { beginLink } from './linkSelection';
import { indent, moveLine, turn } from './outline';
import { stamp } from './stamp';

interface ToolbarProps {
  editor: Editor;
  onMenu: () => void;
  /** Notes the line as a meeting or call; on a day alone. */
  onMeet?: () => void;
}

/** Whether the text has the focus; a tap on the toolbar does not take it away. */
function useFocused(editor: Editor): boolean {
  const [isFocused, setFocused] = useState(editor.isFocused);
  useEffect(() => {
    const on = () => setFocused(true);
    const off = () => setFocused(false);
    editor.on('focus', on);
    editor.on('blur', off);
    return () => {
      editor.off('focus', on);
      editor.off('blur', off);
    };
  }, [editor]);
  return isFocused;
}

/** How much of the window's foot the keyboard covers. */
function useKeyboardHeight(): number {
  const [height, setHeight] = useState(0);
  useEffect(() => {
    const { visualViewport: viewport } = window;
    if (!viewport) return;
    const read = () => {
      const covered = Math.max(0, Math.round(window.innerHeight - viewport.height - viewport.offsetTop));
      setHeight(covered);
      document.documentElement.style.setProperty('--keyboard', `${covered}px`);
    };
    read();
    viewport.addEventListener('resize', read);
    viewport.addEventListener('scroll', read);
    return () => {
      viewport.removeEventListener('resize', read);
      viewport.removeEventListener('scroll', read);
    };
  }, []);
  return height;
}

const STYLES = [
  { mark: 'bold', label: 'Bold' },
  { mark: 'italic', label: 'Italic' },
  { mark: 'underline', label: 'Underline' },
  { mark: 'strike', label: 'Strike through' },
  { mark: 'code', label: 'Code' },
] as const;

/** What the toolbar shows of the place of the cursor: the kind of its line and the styles on, by name. */
function shownAt(editor: Editor): string {
  const { state } = editor;
  const { kind } = state.doc.child(actedRange(state).first).attrs;
  return [kind, ...STYLES.map(({ mark }) => mark), 'highlight']
    .filter((name) => name === kind || editor.isActive(String(name)))
    .join(' ');
}

/** Drawn anew only when that changes, and not with every key. */
function useShown(editor: Editor): string {
  const [shown, setShown] = useState(() => shownAt(editor));
  useEffect(() => {
    const read = () => setShown(shownAt(editor));
    editor.on('transaction', read);
    return () => void editor.off('transaction', read);
  }, [editor]);
  return shown;
}

/**
 * Everything a keyboard has keys for, in a row above the one on the screen: the most used first, and at its end the way
 * out of the text, which always stands there.
 */
export function Toolbar({ editor, onMenu, onMeet }: ToolbarProps) {
  const isFocused = useFocused(editor);
  const shown = useShown(editor);
  const [isInking, setInking] = useState(false);
  const keyboard = useKeyboardHeight();
  if (!isFocused) return null;

  const isOn = (name: string) => shown.split(' ').includes(name);
  const isTodo = isOn('todo');
  const run = (deed: (state: EditorState) => Transaction | null) => {
    const transaction = deed(editor.state);
    if (transaction) editor.view.dispatch(transaction);
  };
  return (
    <Dock label="Writing">
      <div className="toolbar" data-at-foot="" role="toolbar" aria-label="Writing" style={{ bottom: keyboard }}>
        {isInking ? (
          <>
            {HIGHLIGHTS.map((pigment) => (
              <Tool
                key={pigment}
                label={`Highlight in ${pigment}`}
                pigment={pigment}
                onPress={() => {
                  editor.chain().setMark('highlight', { pigment }).run();
                  setInking(false);
                }}
              />
            ))}
            <Tool
              label="No highlighting"
              words="None"
              onPress={() => (editor.commands.unsetMark('highlight'), setInking(false))}
            />
          </>
        ) : (
          <>
            <Tool label="Insert" sign="insert" onPress={() => openInsert(editor)} />
            <Tool label="What can be done with this line" words="¶" isRed onPress={onMenu} />
            <Tool
              label="To-do"
              sign="todo"
              isOn={isTodo}
              onPress={() => run((state) => turn(state, isTodo ? 'paragraph' : 'todo'))}
            />
            <Tool label="The time" sign="time" onPress={() => run(stamp)} />
            <Tool label="Jot" words="Jot" onPress={() => store.dispatch(sheetOpened({ for: 'jot' }))} />
            {onMeet && <Tool label="A meeting or call" words="Met" onPress={onMeet} />}
            <Tool label="Link" sign="link" onPress={() => beginLink(editor)} />
            <Tool label="Undo" sign="undo" onPress={() => editor.commands.undo()} />
            <Tool label="Indent" sign="indent" onPress={() => run((state) => indent(state, 1))} />
            <Tool label="Outdent" sign="outdent" onPress={() => run((state) => indent(state, -1))} />
            {STYLES.map(({ mark, label }) => (
              <Tool
                key={mark}
                label={label}
                sign={mark}
                isOn={isOn(mark)}
                onPress={() => editor.commands.toggleMark(mark)}
              />
            ))}
            <Tool label="Highlighter" sign="highlight" isOn={isOn('highlight')} onPress={() => setInking(true)} />
            <Tool label="Redo" sign="redo" onPress={() => editor.commands.redo()} />
            <Tool label="Move up" sign="up" onPress={() => run((state) => moveLine(state, -1))} />
            <Tool label="Move down" sign="down" onPress={() => run((state) => moveLine(state, 1))} />
            <Tool label="Done" words="Done" isDone onPress={() => editor.commands.blur()} />
          </>
        )}
      </div>
    </Dock>
  );
}

/** Opens the Insert menu as a typed slash does, at the cursor. */
export function openInsert(editor: Editor): void {
  const { $from } = editor.state.selection;
  const before = $from.parent.textBetween(0, $from.parentOffset, undefined, '\uFFFC');
  editor
    .chain()
    .focus()
    .insertContent(/(?:^|\s)$/u.test(before) ? '/' : ' /')
    .run();
}

interface ToolProps {
  label: string;
  words?: string;
  sign?: SignName;
  pigment?: string;
  isOn?: boolean;
  isRed?: boolean;
  isDone?: boolean;
  onPress: () => void;
}

function Tool({ label, words, sign, pigment, isOn, isRed, isDone, onPress }: ToolProps) {
  return (
    <button
      type="button"
      className={isRed ? 'tool red' : isDone ? 'tool done' : 'tool'}
      aria-label={label}
      aria-pressed={isOn}
      // The text keeps the focus, and with it the keyboard.
      onPointerDown={(event) => event.preventDefault()}
      onMouseDown={(event) => event.preventDefault()}
      onClick={onPress}
    >
      {pigment ? <mark data-pigment={pigment}>ab</mark> : sign ? <Sign name={sign} /> : words}
    </button>
  );
}
