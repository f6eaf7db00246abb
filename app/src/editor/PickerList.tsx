import type { Editor } from '@tiptap/core';
import { useEffect, useImperativeHandle, useLayoutEffect, useRef, useState, type Ref } from 'react';
import { placeBeside } from '../kit/placed';
import { overlayOf } from './overlay';
import { caretBox } from './caretBox';
import { listIsHere, type ListAnswer } from './heldKeys';
import type { PickerHandle } from './pickerHandle';
import { announce } from '../kit/announce';
import { count } from '../kit/count';
import { hasPointerMoved } from '../kit/movedPointer';
import { createPortal } from 'react-dom';

export interface PickerChoice {
  key: string;
  words: string;
  detail: string;
  isNew?: boolean;
  /** What the arrow to the right completes what was typed to. */
  name?: string;
  choose: () => void;
}

/** The offer that somebody went to: the same one when others come beside it, else the one at its place. */
interface Chosen {
  index: number;
  key: string | null;
}
const FIRST: Chosen = { index: 0, key: null };

interface PickerListProps {
  handle: Ref<PickerHandle>;
  editor: Editor;
  label: string;
  /** Where in the text it was opened. */
  from: number;
  typed: string;
  choices: readonly PickerChoice[];
  /** The choices for what is typed are still on their way. */
  isPending?: boolean;
  /** What is shown when there is nothing to choose from. */
  hint?: string | null;
  /** Takes what was typed completed to the chosen name, so that it can be typed on. */
  onComplete?: (name: string) => void;
  /** A field to type in, where the text itself can’t be typed in: its words are to stay. */
  filter?: { value: string; onChange: (value: string) => void; onLeave: () => void };
}

/** Between the list, the line it belongs to and the edge of the window. */
const LEAST_HEIGHT = 120;
const WIDTH = 330;

/** A list beside the cursor, chosen from by arrows and Enter while the text keeps the focus, or by a tap. */
export function PickerList({
  handle,
  editor,
  label,
  from,
  typed,
  choices,
  isPending = false,
  hint = null,
  filter,
  onComplete,
}: PickerListProps) {
  const [chosen, setChosen] = useState<Chosen>(FIRST);
  const list = useRef<HTMLDivElement>(null);
  /** Enter was pressed in the field before the answer was here: it counts for the first of what comes. */
  const isAwaited = useRef(false);
  const kept = choices.findIndex(({ key }) => key === chosen.key);
  const active = kept >= 0 ? kept : Math.min(chosen.index, choices.length - 1);
  const choose = (index: number) => setChosen({ index, key: choices[index]!.key });
  const offered = `${typed}\n${hint}\n${choices.map(({ key }) => key).join('\n')}`;

  useEffect(() => setChosen(FIRST), [typed]);

  useEffect(() => {
    if (isPending || !isAwaited.current) return;
    isAwaited.current = false;
    choices[0]?.choose();
  }, [isPending, choices]);
  useEffect(() => {
    if (!isPending) listIsHere(editor);
  }, [isPending, editor]);

  const take = (key: string): ListAnswer => {
    if (isPending && (key === 'Enter' || key === 'Tab')) return 'later';
    if (choices.length === 0) return false;
    if (key === 'ArrowDown') choose((active + 1) % choices.length);
    else if (key === 'ArrowUp') choose((active - 1 + choices.length) % choices.length);
    else if (key === 'Enter' || key === 'Tab') choices[active]?.choose();
    else if (key === 'ArrowRight' && choices[active]?.name && onComplete) onComplete(`${choices[active].name} `);
    else return false;
    return true;
  };
  useImperativeHandle(handle, () => ({ take }));

  useLayoutEffect(() => {
    const element = list.current;
    if (!element) return;
    element.style.maxHeight = '';
    const end = window.visualViewport?.height ?? window.innerHeight;
    const toolbar = document.querySelector('.toolbar')?.getBoundingClientRect().top ?? end;
    const caret = { getBoundingClientRect: () => caretBox(editor, from) };
    // What is typed stays in sight, however little room a phone's keyboard leaves.
    void placeBeside(caret, element, { bottom: Math.max(0, end - toolbar), leastHeight: LEAST_HEIGHT });
    // Placed anew when something else is offered: whoever scrolled the list stays where they are.
  }, [offered, from, editor]);

  useLayoutEffect(() => {
    list.current?.querySelector('.choice.active')?.scrollIntoView({ block: 'nearest' });
  }, [active, offered]);

  useToldOf(editor, label, choices, active, isPending);

  if (choices.length === 0 && !hint && !filter) return null;
  return createPortal(
    <div ref={list} className="picker" tabIndex={0} style={{ width: WIDTH }}>
      {filter && (
        <FilterField
          filter={filter}
          take={(key) => {
            const answer = take(key);
            isAwaited.current ||= answer === 'later';
            return answer !== false;
          }}
          label={label}
          active={choices[active]?.key}
        />
      )}
      {choices.length === 0 && hint && <div className="choice-detail picker-hint">{hint}</div>}
      <div role="listbox" id="picker-choices" aria-label={label}>
        {choices.map((choice, index) => (
          <div
            key={choice.key}
            id={`picked-${choice.key}`}
            role="option"
            aria-selected={index === active}
            className={index === active ? 'choice active' : 'choice'}
            onMouseDown={(event) => event.preventDefault()}
            onPointerMove={(event) => hasPointerMoved(event.nativeEvent) && choose(index)}
            onClick={choice.choose}
          >
            <span className={choice.isNew ? 'choice-words new' : 'choice-words'}>{choice.words}</span>
            <span className="choice-detail">{choice.detail}</span>
          </div>
        ))}
      </div>
    </div>,
    overlayOf(editor),
  );
}

/** In milliseconds after the last letter: what is offered is said when one pauses. */
const SAID_AFTER = 700;

/** Tells a screen reader of the list and of what is chosen in it, while the text keeps the focus. */
function useToldOf(
  editor: Editor,
  label: string,
  choices: readonly PickerChoice[],
  active: number,
  isPending: boolean,
): void {
  const key = choices[active]?.key;
  useEffect(() => {
    const { dom } = editor.view;
    dom.setAttribute('aria-haspopup', 'listbox');
    dom.setAttribute('aria-autocomplete', 'list');
    dom.setAttribute('aria-controls', 'picker-choices');
    return () => {
      for (const name of ['aria-haspopup', 'aria-autocomplete', 'aria-controls', 'aria-activedescendant']) {
        dom.removeAttribute(name);
      }
    };
  }, [editor]);
  useEffect(() => {
    const { dom } = editor.view;
    if (key === undefined) dom.removeAttribute('aria-activedescendant');
    else dom.setAttribute('aria-activedescendant', `picked-${key}`);
  }, [editor, key]);
  const words = choices[active]?.words;
  useEffect(() => {
    if (isPending) return;
    const offers = words === undefined ? 'nothing fits' : `${count(choices.length, 'offer')}, ${words}`;
    const timer = setTimeout(() => announce(`${label}: ${offers}`), SAID_AFTER);
    return () => clearTimeout(timer);
  }, [label, choices.length, words, isPending]);
}

/** Where it is typed what selected words shall link to. */
function FilterField({
  filter,
  take,
  label,
  active,
}: {
  filter: NonNullable<PickerListProps['filter']>;
  take: (key: string) => boolean;
  label: string;
  active: string | undefined;
}) {
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    field.current?.focus();
    field.current?.select();
  }, []);
  return (
    <input
      ref={field}
      className="picker-filter"
      aria-label={label}
      role="combobox"
      aria-expanded
      aria-controls="picker-choices"
      aria-activedescendant={active ? `picked-${active}` : undefined}
      value={filter.value}
      onChange={(event) => filter.onChange(event.target.value)}
      onKeyDown={(event) => {
        if (event.nativeEvent.isComposing) return;
        if (event.key === 'Escape') {
          event.stopPropagation();
          filter.onLeave();
        } else if (take(event.key)) event.preventDefault();
      }}
      onBlur={filter.onLeave}
    />
  );
}
