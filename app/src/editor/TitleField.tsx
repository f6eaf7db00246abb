import { useEffect, useRef } from 'react';
import { MAX_TITLE, writeTitle } from '@glossarion/core/document';
import type { PageDocument } from '../documents/pageDocument';
import { takeTypedAhead } from '../kit/typedAhead';
import { SharedLine } from './SharedLine';

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
      <SharedLine
        element={element}
        text={document.getText('title')}
        onWrite={(words) => writeTitle(document, words, 'title')}
        label="Title"
        className="title-field"
        placeholder="Title"
        most={MAX_TITLE}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' && event.key !== 'ArrowDown') return;
          event.preventDefault();
          onDone();
        }}
      />
    </h1>
  );
}
