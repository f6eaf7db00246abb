import type { Editor } from '@tiptap/core';
import type { EditorState, Transaction } from '@tiptap/pm/state';
import { useLayoutEffect, useRef, type MouseEvent } from 'react';
import { createPortal } from 'react-dom';
import { dayTitleWithYear } from '@glossarion/core/journal';
import { dueWords, repeatWords } from '@glossarion/core/tasks';
import type { When } from '@glossarion/core/tasks/phrases';
import { clock, today } from '../state/tasks';
import { placeBeside } from '../kit/placed';
import { caretBox } from './caretBox';
import { overlayOf } from './overlay';
import { acceptDue, acceptLink, type DateOffer } from './dateOffers';

/** What is offered for a date that was just written, beneath it: to be the day a task is due, or a link to its day. */
export function DateChip({ editor, offer }: { editor: Editor; offer: DateOffer }) {
  const chip = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    const element = chip.current;
    if (!element || offer.to > editor.state.doc.content.size) return;
    void placeBeside({ getBoundingClientRect: () => caretBox(editor, offer.from) }, element, { away: 4 });
  });
  const take = (accept: (state: EditorState, taken: DateOffer) => Transaction | null) => () => {
    const transaction = accept(editor.state, offer);
    if (transaction) editor.view.dispatch(transaction);
    editor.view.focus();
  };
  const keepsFocus = (event: MouseEvent) => event.preventDefault();
  const { when } = offer;
  return createPortal(
    <div ref={chip} className="date-chips">
      {when && (
        <button type="button" className="date-chip" onMouseDown={keepsFocus} onClick={take(acceptDue)}>
          {dueOf(when)} <kbd aria-hidden>Tab</kbd>
        </button>
      )}
      {(!when || !when.repeat) && (
        <button type="button" className="date-chip" onMouseDown={keepsFocus} onClick={take(acceptLink)}>
          Link to {dayTitleWithYear(offer.day)} {!when && <kbd aria-hidden>Tab</kbd>}
        </button>
      )}
    </div>,
    overlayOf(editor),
  );
}

/** What taking it makes of the task: “Due Tue 1 Dec”, “Due Mon 30 Nov, every Monday”. */
const dueOf = ({ day, time, repeat, isFromDone }: When): string =>
  `Due ${[dueWords({ day, time }, today(), clock), repeatWords({ repeat, isFromDone }, today())].filter(Boolean).join(', ')}`;
