import type { Editor } from '@tiptap/core';
import { forwardRef, useEffect, useImperativeHandle, useLayoutEffect, useRef, useState } from 'react';
import { createPortal } from 'react-dom';
import { newId } from '@glossarion/core/document';
import { foldWords } from '@glossarion/core/find';
import { api, problemSentence, useNamesQuery, useNotebooksQuery } from '../state/api';
import { store, useAppDispatch } from '../state/store';
import { targetsKnown } from '../state/targets';
import type { Target } from '../state/types';
import { noticed } from '../state/view';
import { trailWords } from '../features/trail/words';
import type { LinkQuery } from './linkQuery';
import type { WritingPlace } from './PageEditor';

export interface LinkPickerHandle {
  take: (key: string) => boolean;
}

interface Choice {
  key: string;
  words: string;
  detail: string;
  isNew: boolean;
  choose: () => void;
}

interface LinkPickerProps {
  editor: Editor;
  query: LinkQuery;
  place: WritingPlace;
}

const WIDTH = 330;

/** Offers pages while a link is typed, and makes the missing one without leaving the line. */
export const LinkPicker = forwardRef<LinkPickerHandle, LinkPickerProps>(function LinkPicker(
  { editor, query, place },
  handle,
) {
  const [chosen, setChosen] = useState(0);
  const list = useRef<HTMLDivElement>(null);
  const { choices, isPending } = useChoices(editor, query, place);
  /** Enter was pressed before the answer was here: it counts for the first of what comes. */
  const isAwaited = useRef(false);
  const active = Math.min(chosen, choices.length - 1);

  useEffect(() => setChosen(0), [query.typed]);

  useEffect(() => {
    if (isPending || !isAwaited.current) return;
    isAwaited.current = false;
    choices[0]?.choose();
  }, [isPending, choices]);

  useImperativeHandle(
    handle,
    () => ({
      take: (key) => {
        if (isPending && (key === 'Enter' || key === 'Tab')) {
          isAwaited.current = true;
          return true;
        }
        if (choices.length === 0) return false;
        if (key === 'ArrowDown') setChosen((active + 1) % choices.length);
        else if (key === 'ArrowUp') setChosen((active - 1 + choices.length) % choices.length);
        else if (key === 'Enter' || key === 'Tab') choices[active]?.choose();
        else return false;
        return true;
      },
    }),
    [choices, active, isPending],
  );

  useLayoutEffect(() => {
    const element = list.current;
    if (!element) return;
    const caret = editor.view.coordsAtPos(query.from);
    const height = element.offsetHeight;
    const bottom = window.visualViewport?.height ?? window.innerHeight;
    const isBelow = caret.bottom + height + 8 < bottom;
    element.style.left = `${Math.max(8, Math.min(caret.left, window.innerWidth - element.offsetWidth - 8))}px`;
    element.style.top = `${isBelow ? caret.bottom + 4 : Math.max(8, caret.top - height - 4)}px`;
  });

  if (choices.length === 0) return null;
  return createPortal(
    <div ref={list} className="picker" role="listbox" aria-label="Pages to link to" style={{ width: WIDTH }}>
      {choices.map((choice, index) => (
        <div
          key={choice.key}
          role="option"
          aria-selected={index === active}
          className={index === active ? 'choice active' : 'choice'}
          onMouseDown={(event) => event.preventDefault()}
          onMouseEnter={() => setChosen(index)}
          onClick={choice.choose}
        >
          <span className={choice.isNew ? 'choice-words new' : 'choice-words'}>{choice.words}</span>
          <span className="choice-detail">{choice.detail}</span>
        </div>
      ))}
    </div>,
    document.body,
  );
});

/** What can be chosen now: pages that fit, then places where a page of this name can be made. */
function useChoices(editor: Editor, query: LinkQuery, place: WritingPlace): { choices: Choice[]; isPending: boolean } {
  const dispatch = useAppDispatch();
  const typed = query.typed.trim();
  const { currentData, isError } = useNamesQuery(typed, { skip: typed === '' });
  const named = currentData ?? [];
  const isPending = typed !== '' && !currentData && !isError;
  const { data: notebooks = [] } = useNotebooksQuery();

  const insert = (target: Target) => {
    dispatch(targetsKnown([target]));
    editor
      .chain()
      .focus()
      .deleteRange({ from: query.from, to: query.to })
      .insertContentAt(query.from, { type: 'pageLink', attrs: { target: target.id, words: null } })
      .run();
  };

  const make = (parentId: string, afterId: string | undefined) => {
    const id = newId();
    const wish = { id, kind: 'page' as const, parentId, afterId, name: typed };
    // The link stands at once; the page it leads to is made meanwhile.
    insert({ id, kind: 'page', pageId: id, title: typed, state: 'unwritten', trail: [], pigment: null, day: null });
    void store
      .dispatch(api.endpoints.makeEntry.initiate(wish))
      .unwrap()
      .then((made) => dispatch(targetsKnown([made])))
      .catch((error: unknown) => dispatch(noticed({ words: `“${typed}” was not made. ${problemSentence(error)}` })));
  };

  const known: Choice[] = named
    .filter((target) => target.id !== place.pageId)
    .map((target) => ({
      key: target.id,
      words: target.title,
      detail: target.day ? 'Journal' : trailWords(target.trail) || target.kind,
      isNew: false,
      choose: () => insert(target),
    }));
  if (typed === '' || isPending) return { choices: known, isPending };
  const isThere = named.some((target) => target.kind === 'page' && foldWords(target.title) === foldWords(typed));
  const words = `New page “${typed}”`;
  const making: Choice[] =
    place.parentId === null
      ? notebooks.slice(0, 4).map((notebook) => ({
          key: `new ${notebook.id}`,
          words,
          detail: `in ${notebook.name}`,
          isNew: true,
          choose: () => make(notebook.id, undefined),
        }))
      : [
          {
            key: 'new beside',
            words,
            detail: `beside this page, in ${place.trail[place.trail.length - 1]?.name ?? 'the same place'}`,
            isNew: true,
            choose: () => make(place.parentId!, place.pageId),
          },
          {
            key: 'new beneath',
            words,
            detail: 'beneath this page',
            isNew: true,
            choose: () => make(place.pageId, undefined),
          },
        ];
  const offered = isThere ? making.slice(-1) : making;
  return { choices: [...known.slice(0, 6), ...offered], isPending };
}
