import { useState } from 'react';
import { mayHold, type EntryKind } from '@glossarion/core/outline';
import { useNamesQuery, useNotebooksQuery } from '../../state/api';
import { useAppDispatch } from '../../state/store';
import { chose, type ChosenEntry } from '../../state/view';
import { ChoiceSheet, type Choice } from '../../kit/ChoiceSheet';
import { trailWords } from '../../screen/words';
import { moveTo } from './entryActs';

/** Moves entries to the end of whatever is chosen by some letters of its name or trail. */
export function MoveSheet({ entries, onClose }: { entries: ChosenEntry[]; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const [typed, setTyped] = useState('');
  const name = typed.trim();
  const { currentData: named = [] } = useNamesQuery(name, { skip: name === '' });
  const { data: notebooks = [] } = useNotebooksQuery();
  const moved = new Set(entries.map((entry) => entry.id));
  const holders: { id: string; kind: EntryKind; title: string; detail: string }[] =
    name === ''
      ? notebooks.map(({ id, name: title }) => ({ id, kind: 'notebook', title, detail: 'notebook' }))
      : named
          .filter((target) => target.standsIn === null && target.kind !== 'block')
          .filter((target) => target.trail.every((step) => !moved.has(step.id)))
          .map(({ id, kind, title, trail }) => ({
            id,
            kind: kind as EntryKind,
            title,
            detail: trailWords(trail) || 'notebook',
          }));
  const choices = holders
    .filter((holder) => !moved.has(holder.id) && entries.every((entry) => mayHold(holder.kind, entry.kind)))
    .slice(0, 9)
    .map((holder): Choice => ({
      key: holder.id,
      words: holder.title,
      detail: holder.detail,
      choose: async () => {
        onClose();
        await moveTo(entries, { parentId: holder.id }, `into “${holder.title}”`);
        dispatch(chose(null));
      },
    }));
  const what = entries.length === 1 ? `“${entries[0]!.title}”` : `${entries.length} entries`;
  return (
    <ChoiceSheet
      title={`Move ${what} to…`}
      placeholder="Some letters of a notebook, section or page"
      typed={typed}
      onType={setTyped}
      choices={choices}
      emptyWords="Nothing of this name can hold it."
      onClose={onClose}
    />
  );
}
