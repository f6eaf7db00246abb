import type { Editor } from '@tiptap/core';
import type { Ref } from 'react';
import { newId } from '@glossarion/core/document';
import { foldWords } from '@glossarion/core/find';
import { useNamesQuery, useNotebooksQuery } from '../state/api';
import { useAppDispatch } from '../state/store';
import { targetsKnown } from '../state/targets';
import type { Target } from '../state/types';
import { perform } from '../features/outline/deeds';
import { placeWords } from '../features/trail/words';
import type { WritingPlace } from './PageEditor';
import { PickerList, type PickerChoice, type PickerHandle } from './PickerList';
import type { TypedQuery } from './typedQuery';

interface LinkPickerProps {
  handle: Ref<PickerHandle>;
  editor: Editor;
  query: TypedQuery;
  place: WritingPlace;
}

/** Offers pages while a link is typed, and makes the missing one without leaving the line. */
export function LinkPicker({ handle, editor, query, place }: LinkPickerProps) {
  const { choices, isPending } = useChoices(editor, query, place);
  return (
    <PickerList
      handle={handle}
      editor={editor}
      label="Pages to link to"
      from={query.from}
      typed={query.typed}
      choices={choices}
      isPending={isPending}
    />
  );
}

/** What can be chosen now: pages that fit, then places where a page of this name can be made. */
function useChoices(
  editor: Editor,
  query: TypedQuery,
  place: WritingPlace,
): { choices: PickerChoice[]; isPending: boolean } {
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
    // The link stands at once; the page it leads to is made meanwhile.
    const unwritten = { kind: 'page' as const, state: 'unwritten' as const, season: 'now' as const };
    insert({ ...unwritten, id, pageId: id, title: typed, trail: [], pigment: null, day: null });
    void perform([{ do: 'make', id, kind: 'page', parentId, name: typed, ...(afterId && { afterId }) }], null);
  };

  const known: PickerChoice[] = named
    .filter((target) => target.id !== place.pageId)
    .map((target) => ({
      key: target.id,
      words: target.title,
      detail: placeWords(target),
      choose: () => insert(target),
    }));
  if (typed === '' || isPending) return { choices: known, isPending };
  const isThere = named.some((target) => target.kind === 'page' && foldWords(target.title) === foldWords(typed));
  const words = `New page “${typed}”`;
  const making: PickerChoice[] =
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
