import { Extension } from '@tiptap/core';
import { Placeholder, UndoRedo } from '@tiptap/extensions';
import { EditorContent, useEditor } from '@tiptap/react';
import { useImperativeHandle, useMemo, useRef, useState, type Ref } from 'react';
import { block, documentMarks, newId, type NodeJson } from '@glossarion/core/document';
import { around, later } from '../kit/later';
import { takeTypedAhead } from '../kit/typedAhead';
import { PastedAddresses } from './addresses';
import { BlockKeys, newLine } from './blockKeys';
import { Clipboard } from './clipboard';
import { ClosedBrackets } from './closedBrackets';
import { DateOffers, type DateOffer } from './dateOffers';
import { HoldsKeys } from './heldKeys';
import { Identity } from './identity';
import { LinkBehaviour } from './linkViews';
import { Lists } from './lists';
import { nodesWithViews } from './nodesWithViews';
import { takenBy, type PickerHandle } from './pickerHandle';
import { putBlocksAt } from './put';
import { Shortcuts } from './shortcuts';
import { LinkQueryWatch, type TypedQuery } from './typedQuery';

const LinkPicker = later(async () => (await import('./pickers')).LinkPicker, true);
const DateChip = around(async () => (await import('./DateChip')).DateChip);

/** The keys of lines without those that a sheet has for itself: Tab goes on to its buttons, Esc closes it. */
const LineKeys = BlockKeys.extend({
  addKeyboardShortcuts() {
    const { Tab: _tab, 'Shift-Tab': _back, Escape: _escape, ...keys } = this.parent?.() ?? {};
    return keys;
  },
});

export interface JotEditorHandle {
  /** Sets a block where the cursor is. */
  put: (node: NodeJson) => void;
  /** Begins another line, as Shift+Enter does. */
  breakLine: () => void;
  /** Turns the line into a to-do, or back. */
  toggleTodo: () => void;
}

interface JotEditorProps {
  handle: Ref<JotEditorHandle>;
  /** The id of the jotting, which is none of a page yet. */
  id: string;
  /** The lines as they are when the writing begins. */
  lines: readonly NodeJson[];
  label: string;
  placeholder: string;
  onWrite: (lines: NodeJson[]) => void;
  /** Enter keeps it; Shift+Enter begins another line. */
  onKeep: () => void;
}

const NOWHERE = { parentId: null, trail: [], title: '' };

/** Whether lines say anything. */
const isBlank = (lines: readonly NodeJson[]): boolean =>
  lines.every((node) => node.type === 'block' && !node.content?.length);

/** Some lines that stand on no page yet, with all that a line may have in it. */
export function JotEditor({ handle, id, lines, label, placeholder, onWrite, onKeep }: JotEditorProps) {
  const [query, setQuery] = useState<TypedQuery | null>(null);
  const [date, setDate] = useState<DateOffer | null>(null);
  const picker = useRef<PickerHandle>(null);
  const latest = useRef({ onKeep, onWrite });
  latest.current = { onKeep, onWrite };
  const [begun] = useState(() => (lines.length > 0 ? [...lines] : [block('paragraph', '', { id: newId() })]));
  const extensions = useMemo(
    () => [
      ...nodesWithViews(id),
      ...Object.values(documentMarks),
      UndoRedo,
      Identity,
      Lists,
      LineKeys,
      Shortcuts,
      Clipboard,
      PastedAddresses,
      ClosedBrackets,
      HoldsKeys,
      // A link is not followed out of what is being written down.
      LinkBehaviour.configure({ onOpen: () => undefined }),
      LinkQueryWatch.configure({ onChange: setQuery, onKey: (key) => takenBy(picker.current, key) }),
      DateOffers.configure({ onChange: setDate }),
      Placeholder.configure({ placeholder }),
      Extension.create({
        name: 'jotKeys',
        priority: 1000,
        addKeyboardShortcuts() {
          return {
            Enter: () => (latest.current.onKeep(), true),
            'Mod-Enter': () => (latest.current.onKeep(), true),
            'Shift-Enter': () => {
              const transaction = newLine(this.editor.state);
              if (transaction) this.editor.view.dispatch(transaction);
              return true;
            },
          };
        },
      }),
    ],
    [id, placeholder],
  );
  const editor = useEditor({
    extensions,
    content: { type: 'doc', content: begun },
    autofocus: 'end',
    editorProps: {
      attributes: {
        class: 'writing jot-writing',
        role: 'textbox',
        'aria-multiline': 'true',
        'aria-label': label,
        'data-first-focus': '',
      },
    },
    // What was typed while the sheet was on its way.
    onCreate: ({ editor: made }) => {
      const ahead = takeTypedAhead();
      if (ahead) made.commands.insertContent({ type: 'text', text: ahead });
    },
    shouldRerenderOnTransaction: false,
    onUpdate: ({ editor: { state } }) => {
      const written = (state.doc.toJSON() as NodeJson).content ?? [];
      latest.current.onWrite(isBlank(written) ? [] : written);
    },
  });
  useImperativeHandle(
    handle,
    () => ({
      put: (node) => void putBlocksAt(editor, [node]),
      breakLine: () => {
        const transaction = newLine(editor.state);
        if (transaction) editor.view.dispatch(transaction);
        editor.view.focus();
      },
      toggleTodo: () => {
        const { $from } = editor.state.selection;
        if ($from.depth !== 1 || $from.parent.type.name !== 'block') return;
        const isTodo = $from.parent.attrs.kind === 'todo';
        const attrs = { ...$from.parent.attrs, kind: isTodo ? 'paragraph' : 'todo', state: isTodo ? null : 'open' };
        editor.view.dispatch(editor.state.tr.setNodeMarkup($from.before(), undefined, attrs));
        editor.view.focus();
      },
    }),
    [editor],
  );
  return (
    <div className="jot-editor" data-takes-escape={query || date ? '' : undefined}>
      <EditorContent editor={editor} />
      {editor && query && (
        <LinkPicker handle={picker} editor={editor} query={query} place={{ ...NOWHERE, pageId: id }} />
      )}
      {editor && date && !query && <DateChip editor={editor} offer={date} />}
    </div>
  );
}
