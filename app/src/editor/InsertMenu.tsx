import type { Editor } from '@tiptap/core';
import type { Ref } from 'react';
import { fittingItems, insertOffer } from './insertItems';
import type { WritingPlace } from './writingPlace';
import type { PickerHandle } from './pickerHandle';
import { PickerList } from './PickerList';
import type { TypedQuery } from './typedQuery';

interface InsertMenuProps {
  handle: Ref<PickerHandle>;
  editor: Editor;
  query: TypedQuery;
  place: WritingPlace;
}

/** Offers every block by its name, and by other words for it, after a slash. */
export function InsertMenu({ handle, editor, query, place }: InsertMenuProps) {
  const choices = fittingItems(query.typed).map((item) => ({
    key: item.words,
    words: item.words,
    detail: item.detail,
    choose: () => {
      editor.chain().focus().deleteRange({ from: query.from, to: query.to }).run();
      insertOffer(item, editor, place);
    },
  }));
  return (
    <PickerList
      handle={handle}
      editor={editor}
      label="Insert"
      from={query.from}
      typed={query.typed}
      choices={choices}
    />
  );
}
