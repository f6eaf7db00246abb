import type { Editor } from '@tiptap/core';
import { useEffect, useLayoutEffect, useRef, useState, type RefObject } from 'react';
import { Dock } from './Dock';
import { enterToolbar, walkToolbar } from '../kit/toolbarKeys';
import { TABLE_DEEDS, TABLE_GROUP_WORDS, TABLE_GROUPS, tableAt, type TableGroup } from './tables';

interface TableBarProps {
  editor: Editor;
  text: RefObject<HTMLElement | null>;
}

/** What can be done with the table that has the cursor: the most used at once, the rest by what it is about. */
export function TableBar({ editor, text }: TableBarProps) {
  const [isOpen, setOpen] = useState(false);
  const [group, setGroup] = useState<TableGroup | null>(null);
  const bar = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const read = () =>
      setOpen(
        (editor.isFocused || [text, bar].some((each) => each.current?.contains(document.activeElement))) &&
          tableAt(editor.state) !== null,
      );
    const later = () => setTimeout(read, 80);
    // The focus that leaves the text may be on its way to this bar.
    const follow = () => (editor.isFocused ? read() : later());
    read();
    editor.on('transaction', follow);
    editor.on('focus', read);
    editor.on('blur', later);
    return () => {
      editor.off('transaction', follow);
      editor.off('focus', read);
      editor.off('blur', later);
    };
  }, [editor, text]);
  // Within the key that asked for other tools, so that the next key finds the focus among them.
  const isByKeys = useRef(false);
  useLayoutEffect(() => {
    if (isByKeys.current) enterToolbar(bar.current);
    isByKeys.current = false;
  }, [group]);
  if (!isOpen) return null;
  const show = (next: TableGroup | null) => {
    isByKeys.current = bar.current?.contains(document.activeElement) === true;
    setGroup(next);
  };
  return (
    <Dock label="Table">
      <div
        ref={bar}
        className="table-bar"
        data-at-foot=""
        role="toolbar"
        aria-label="Table"
        onKeyDown={(event) => {
          if (event.key === 'Escape') {
            event.stopPropagation();
            if (group) show(null);
            else editor.view.focus();
          } else if (walkToolbar(event.currentTarget, event.key)) event.preventDefault();
        }}
      >
        {group === null &&
          TABLE_GROUPS.map((each) => (
            <BarButton key={each} isGroup label={TABLE_GROUP_WORDS[each]} onPress={() => show(each)} />
          ))}
        {group !== null && <BarButton label="Back" onPress={() => show(null)} />}
        {TABLE_DEEDS.filter((deed) => (group === null ? deed.isFirst : deed.group === group)).map((deed) => (
          <BarButton
            key={deed.words}
            label={deed.words}
            isDanger={deed.isDanger}
            onPress={() => {
              deed.run(editor.state, editor.view.dispatch, editor.view);
              if (tableAt(editor.state) === null) setGroup(null);
              if (!bar.current?.contains(document.activeElement)) editor.view.focus();
            }}
          />
        ))}
      </div>
    </Dock>
  );
}

interface BarButtonProps {
  label: string;
  isGroup?: boolean;
  isDanger?: boolean;
  onPress: () => void;
}

function BarButton({ label, isGroup, isDanger, onPress }: BarButtonProps) {
  return (
    <button
      type="button"
      className={isDanger ? 'danger' : isGroup ? 'group-of' : undefined}
      // The text keeps the focus, and with it the keyboard.
      onPointerDown={(event) => event.preventDefault()}
      onMouseDown={(event) => event.preventDefault()}
      onClick={onPress}
    >
      {label}
    </button>
  );
}
