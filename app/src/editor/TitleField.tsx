import { useEffect, useRef } from 'react';
import { MAX_TITLE, writeTitle } from '@glossarion/core/document';
import type { PageDocument } from '../documents/pageDocument';
import { takeTypedAhead } from '../kit/typedAhead';

interface TitleFieldProps {
  page: PageDocument;
  /** Enter in the title goes on into the text. */
  onDone: () => void;
  hasFocus?: boolean;
}

/** The title of a page, written in place. */
export function TitleField({ page, onDone, hasFocus }: TitleFieldProps) {
  const element = useRef<HTMLSpanElement>(null);
  const { document } = page;

  useEffect(() => {
    const title = document.getText('title');
    const show = () => {
      const field = element.current;
      if (field && field.textContent !== title.toString()) field.textContent = title.toString();
    };
    show();
    title.observe(show);
    return () => title.unobserve(show);
  }, [document]);

  useEffect(() => {
    const field = element.current;
    if (!hasFocus || !field) return;
    const ahead = takeTypedAhead();
    if (ahead) writeTitle(document, `${field.textContent}${ahead}`.slice(0, MAX_TITLE), 'title');
    field.focus();
    window.getSelection()?.selectAllChildren(field);
    window.getSelection()?.collapseToEnd();
  }, [hasFocus, document]);

  return (
    <h1 className="title">
      <span
        ref={element}
        className="title-field"
        role="textbox"
        aria-label="Title"
        dir="auto"
        contentEditable="plaintext-only"
        suppressContentEditableWarning
        data-placeholder="Title"
        onInput={() => {
          const words = (element.current?.textContent ?? '').replace(/[\r\n]+/gu, ' ').slice(0, MAX_TITLE);
          writeTitle(document, words, 'title');
        }}
        onKeyDown={(event) => {
          if (event.key === 'Escape') element.current?.blur();
          if (event.key !== 'Enter' && event.key !== 'ArrowDown') return;
          event.preventDefault();
          onDone();
        }}
      />
    </h1>
  );
}
