import { useCallback } from 'react';
import { newId } from '@glossarion/core/document';
import { api, problemSentence } from '../../state/api';
import { store, useAppDispatch } from '../../state/store';
import { noticed } from '../../state/view';
import { open } from '../shell/navigation';

/** Makes a page beside or beneath another and opens it with the cursor in its title. */
export function useMakePage() {
  const dispatch = useAppDispatch();
  return useCallback(
    async (where: 'beside' | 'beneath', pageId: string | undefined) => {
      try {
        const place = await placeFor(where, pageId);
        if (!place) {
          dispatch(noticed({ words: 'A page stands in a notebook. Make a notebook first.' }));
          return;
        }
        const id = newId();
        await store.dispatch(api.endpoints.makeEntry.initiate({ id, kind: 'page', name: '', ...place })).unwrap();
        open(`/p/${id}?at=title`);
      } catch (error) {
        dispatch(noticed({ words: `The page was not made. ${problemSentence(error)}` }));
      }
    },
    [dispatch],
  );
}

async function placeFor(where: 'beside' | 'beneath', pageId: string | undefined) {
  if (pageId) {
    if (where === 'beneath') return { parentId: pageId };
    const entry = await store.dispatch(api.endpoints.entry.initiate(pageId)).unwrap();
    if (entry.parentId) return { parentId: entry.parentId, afterId: pageId };
  }
  const notebooks = await store.dispatch(api.endpoints.notebooks.initiate()).unwrap();
  return notebooks[0] ? { parentId: notebooks[0].id } : null;
}
