import { useEffect, useLayoutEffect, useRef, type KeyboardEvent, type RefObject } from 'react';
import type * as Y from 'yjs';

interface SharedLineProps {
  /** The text that it shows and writes; null as long as there is none yet. */
  text: Y.Text | null;
  /** What is shown as long as there is none. */
  words?: string;
  /** Takes what the line says now. */
  onWrite: (words: string) => void;
  label: string;
  className: string;
  placeholder?: string;
  /** The most characters. */
  most: number;
  onKeyDown?: (event: KeyboardEvent<HTMLElement>) => void;
  onBlur?: () => void;
  /** Whether it takes the cursor, behind what it says. */
  hasFocus?: boolean;
  element?: RefObject<HTMLSpanElement | null>;
}

/** One line of a page's document beside its text, written in place: several windows write in it at once. */
export function SharedLine(props: SharedLineProps) {
  const {
    text,
    words = '',
    onWrite,
    label,
    className,
    placeholder,
    most,
    onKeyDown,
    onBlur,
    hasFocus,
    element,
  } = props;
  const own = useRef<HTMLSpanElement>(null);
  const line = element ?? own;

  useEffect(() => {
    const show = () => {
      const shown = text?.toString() || words;
      if (line.current && line.current.textContent !== shown) line.current.textContent = shown;
    };
    show();
    text?.observe(show);
    return () => text?.unobserve(show);
  }, [text, words, line]);

  useLayoutEffect(() => {
    if (!hasFocus || !line.current) return;
    line.current.focus();
    window.getSelection()?.selectAllChildren(line.current);
    window.getSelection()?.collapseToEnd();
    // Once, as it is drawn.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);

  return (
    <span
      ref={line}
      className={className}
      role="textbox"
      aria-label={label}
      dir="auto"
      contentEditable="plaintext-only"
      suppressContentEditableWarning
      data-placeholder={placeholder}
      onInput={() => onWrite((line.current?.textContent ?? '').replace(/[\r\n]+/gu, ' ').slice(0, most))}
      onKeyDown={(event) => {
        if (event.key === 'Escape') line.current?.blur();
        onKeyDown?.(event);
      }}
      onBlur={onBlur}
    />
  );
}
