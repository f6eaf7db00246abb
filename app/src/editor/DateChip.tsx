import type { Editor } from '@tiptap/core';
import { useLayoutEffect, useRef } from 'react';
import { createPortal } from 'react-dom';
import { dayTitleWithYear } from '@glossarion/core/journal';
import { placeBeside } from '../kit/placed';
import { caretBox } from './caretBox';
import { acceptDate, type DateOffer } from './dateOffers';

/** The offer to link a date that was just written to its day, beneath it. */
export function DateChip({ editor, offer }: { editor: Editor; offer: DateOffer }) {
  const chip = useRef<HTMLButtonElement>(null);
  useLayoutEffect(() => {
    const element = chip.current;
    if (!element || offer.to > editor.state.doc.content.size) return;
    void placeBeside({ getBoundingClientRect: () => caretBox(editor, offer.from) }, element, { away: 4 });
  });
  return createPortal(
    <button
      ref={chip}
      type="button"
      className="date-chip"
      onMouseDown={(event) => event.preventDefault()}
      onClick={() => {
        const transaction = acceptDate(editor.state, offer);
        if (transaction) editor.view.dispatch(transaction);
        editor.view.focus();
      }}
    >
      Link to {dayTitleWithYear(offer.day)} <kbd aria-hidden>Tab</kbd>
    </button>,
    document.getElementById('main') ?? document.body,
  );
}
