import { EditorContent, useEditor } from '@tiptap/react';
import { Extension } from '@tiptap/core';
import { UndoRedo } from '@tiptap/extensions';
import { useEffect, useMemo, useRef, useState } from 'react';
import { documentMarks, documentNodes, type NodeJson } from '@glossarion/core/document';
import type { Gloss } from '@glossarion/core/margin';
import { LinkPicker } from '../../editor/LinkPicker';
import { PageLinkWithView, TagWithView } from '../../editor/linkViews';
import type { PickerHandle } from '../../editor/PickerList';
import { Shortcuts } from '../../editor/shortcuts';
import { LinkQueryWatch, type TypedQuery } from '../../editor/typedQuery';
import { EditedLine } from './editedLine';

interface GlossEditorProps {
  gloss: Gloss;
  onDone: () => void;
}

/** A line of another page, edited where it is shown and stored as it is typed. Esc brings it back to what it was. */
export function GlossEditor({ gloss, onDone }: GlossEditorProps) {
  const [query, setQuery] = useState<TypedQuery | null>(null);
  const picker = useRef<PickerHandle>(null);
  const isOver = useRef(false);
  /** The line as it was when the editing began: what is written since elsewhere is not overwritten. */
  const [was] = useState<NodeJson>(gloss.node);
  const [line] = useState(() => new EditedLine(gloss));
  const finish = useRef<(isKept: boolean) => void>(() => undefined);

  const extensions = useMemo(
    () => [
      ...Object.values({ ...documentNodes, pageLink: PageLinkWithView, tag: TagWithView }),
      ...Object.values(documentMarks),
      UndoRedo,
      Shortcuts,
      LinkQueryWatch.configure({ onChange: setQuery, onKey: (key) => picker.current?.take(key) ?? false }),
      Extension.create({
        name: 'oneLine',
        priority: 1000,
        addKeyboardShortcuts: () => ({
          Enter: () => (finish.current(true), true),
          'Shift-Enter': () => true,
          Escape: () => (finish.current(false), true),
        }),
      }),
    ],
    [],
  );
  const editor = useEditor({
    extensions,
    content: { type: 'doc', content: [was] },
    autofocus: 'end',
    editorProps: {
      attributes: { class: 'gloss-writing', role: 'textbox', 'aria-label': `Line of ${gloss.pageTitle}` },
    },
    shouldRerenderOnTransaction: false,
  });

  finish.current = (isKept) => {
    if (isOver.current) return;
    isOver.current = true;
    void (isKept ? line.finish() : line.takeBack()).then((isDone) => {
      // Refused, the words stay where they were typed.
      if (isDone) onDone();
      else isOver.current = false;
    });
  };

  useEffect(() => {
    if (!editor) return;
    const onUpdate = () => line.write(((editor.getJSON().content ?? []) as NodeJson[])[0]);
    // Another window that takes the focus ends nothing here.
    const leave = () =>
      setTimeout(() => {
        if (!editor.isDestroyed && !editor.isFocused && document.hasFocus()) finish.current(true);
      }, 120);
    editor.on('update', onUpdate);
    editor.on('blur', leave);
    return () => {
      editor.off('update', onUpdate);
      editor.off('blur', leave);
    };
  }, [editor, line]);

  // Whatever takes the line from the screen, what was typed in it stays.
  useEffect(() => () => void (isOver.current || line.finish()), [line]);

  return (
    <div className="gloss-editor" onKeyDown={(event) => event.stopPropagation()}>
      <EditorContent editor={editor} />
      {editor && query && (
        <LinkPicker
          handle={picker}
          editor={editor}
          query={query}
          place={{
            pageId: gloss.pageId,
            parentId: gloss.day ? null : (gloss.trail[gloss.trail.length - 1]?.id ?? null),
            trail: gloss.trail,
            title: gloss.pageTitle,
          }}
        />
      )}
    </div>
  );
}
