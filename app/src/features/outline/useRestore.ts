import { useCallback } from 'react';
import { problemSentence, useDeleteEntryMutation, useRestoreEntryMutation } from '../../state/api';
import { useAppDispatch } from '../../state/store';
import { noticed } from '../../state/view';

/** Takes an entry out of the bin again. */
export function useRestore() {
  const dispatch = useAppDispatch();
  const [restore] = useRestoreEntryMutation();
  return useCallback(
    async (entryId: string) => {
      try {
        await restore(entryId).unwrap();
        dispatch(noticed(null));
      } catch (error) {
        dispatch(noticed({ words: problemSentence(error) }));
      }
    },
    [dispatch, restore],
  );
}

/** Puts an entry into the bin and says so, with Undo. */
export function useDelete() {
  const dispatch = useAppDispatch();
  const [remove] = useDeleteEntryMutation();
  return useCallback(
    async (entry: { id: string; name: string }): Promise<boolean> => {
      try {
        await remove(entry.id).unwrap();
        const name = entry.name || 'The nameless page';
        dispatch(noticed({ words: `“${name}” is in the bin.`, undo: { label: 'Undo', entryId: entry.id } }));
        return true;
      } catch (error) {
        dispatch(noticed({ words: problemSentence(error) }));
        return false;
      }
    },
    [dispatch, remove],
  );
}
