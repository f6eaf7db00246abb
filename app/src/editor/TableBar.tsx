import type { Editor } from '@tiptap/core';
import { useEffect, useState, type RefObject } from 'react';
import { Dock } from './Dock';
import { TABLE_DEEDS, tableAt } from './tables';

interface TableBarProps {
  editor: Editor;
  text: RefObject<HTMLElement | null>;
}

/** What can be done with the table that has the cursor; on a phone it scrolls sideways under a thumb. */
export function TableBar({ editor, text }: TableBarProps) {
  const [isOpen, setOpen] = useState(false);
  useEffect(() => {
    const read = () =>
      setOpen(
        (editor.isFocused || text.current?.contains(document.activeElement) === true) && tableAt(editor.state) !== null,
      );
    const later = () => setTimeout(read, 80);
    read();
    editor.on('transaction', read);
    editor.on('focus', read);
    editor.on('blur', later);
    return () => {
      editor.off('transaction', read);
      editor.off('focus', read);
      editor.off('blur', later);
    };
  }, [editor, text]);
  if (!isOpen) return null;
  return (
    <Dock label="Table">
      <div className="table-bar" role="toolbar" aria-label="Table">
        {TABLE_DEEDS.map(({ words, run, isDanger }) => (
          <button
            key={words}
            type="button"
            className={isDanger ? 'danger' : undefined}
            onPointerDown={(event) => event.preventDefault()}
            onMouseDown={(event) => event.preventDefault()}
            onClick={() => {
              run(editor.state, editor.view.dispatch, editor.view);
              editor.view.focus();
            }}
          >
            {words}
          </button>
        ))}
      </div>
    </Dock>
  );
}
