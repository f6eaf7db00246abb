import { EditorContent, useEditor } from '@tiptap/react';
import { Extension } from '@tiptap/core';
import { UndoRedo } from '@tiptap/extensions';
import { useEffect, useMemo, useRef, useState } from 'react';
import { documentMarks, documentNodes, type NodeJson } from '@glossarion/core/document';
import { HoldsKeys } from './heldKeys';
import { LinkPicker } from './LinkPicker';
import { PageLinkWithView, TagWithView } from './linkViews';
import type { WritingPlace } from './writingPlace';
import { takenBy, type PickerHandle } from './pickerHandle';
import { Shortcuts } from './shortcuts';
import { LinkQueryWatch, type TypedQuery } from './typedQuery';

export interface LineEditorProps {
  /** The line as it is when the editing begins. */
  line: NodeJson;
  label: string;
  place: WritingPlace;
  onWrite: (line: NodeJson | undefined) => void;
  /** Called when the editing ends, kept or not; gives whether it could end. */
  onLeave: (isKept: boolean) => Promise<boolean>;
}

/** One line of a page, written where it is shown. Enter keeps it, Esc brings it back to what it was. */
export function LineEditor({ line, label, place, onWrite, onLeave }: LineEditorProps) {
  const [query, setQuery] = useState<TypedQuery | null>(null);
  const picker = useRef<PickerHandle>(null);
  const isOver = useRef(false);
  const [was] = useState(line);
  const latest = useRef({ onWrite, onLeave });
  latest.current = { onWrite, onLeave };
  const [leave] = useState(() => (isKept: boolean) => {
    if (isOver.current) return;
    isOver.current = true;
    // Refused, the words stay where they were typed.
    void latest.current.onLeave(isKept).then((isDone) => (isOver.current = isDone));
  });

  const extensions = useMemo(
    () => [
      ...Object.values({ ...documentNodes, pageLink: PageLinkWithView, tag: TagWithView }),
      ...Object.values(documentMarks),
      UndoRedo,
      Shortcuts,
      HoldsKeys,
      LinkQueryWatch.configure({ onChange: setQuery, onKey: (key) => takenBy(picker.current, key) }),
      Extension.create({
        name: 'oneLine',
        priority: 1000,
        addKeyboardShortcuts: () => ({
          Enter: () => (leave(true), true),
          'Shift-Enter': () => true,
          Escape: () => (leave(false), true),
        }),
      }),
    ],
    [leave],
  );
  const editor = useEditor({
    extensions,
    content: { type: 'doc', content: [was] },
    autofocus: 'end',
    editorProps: { attributes: { class: 'gloss-writing', role: 'textbox', 'aria-label': label } },
    shouldRerenderOnTransaction: false,
  });

  useEffect(() => {
    if (!editor) return;
    const onUpdate = () => latest.current.onWrite(((editor.getJSON().content ?? []) as NodeJson[])[0]);
    // Another window that takes the focus ends nothing here.
    const onBlur = () =>
      setTimeout(() => {
        if (!editor.isDestroyed && !editor.isFocused && document.hasFocus()) leave(true);
      }, 120);
    editor.on('update', onUpdate);
    editor.on('blur', onBlur);
    return () => {
      editor.off('update', onUpdate);
      editor.off('blur', onBlur);
    };
  }, [editor, leave]);

  // Whatever takes the line from the screen, what was typed in it stays.
  useEffect(() => () => void (isOver.current || latest.current.onLeave(true)), []);

  return (
    <div className="gloss-editor" onKeyDown={(event) => event.stopPropagation()}>
      <EditorContent editor={editor} />
      {editor && query && <LinkPicker handle={picker} editor={editor} query={query} place={place} />}
    </div>
  );
}
