import { useState } from 'react';
import { ChoiceSheet, type Choice } from '../../kit/ChoiceSheet';
import { whereWords } from '../../screen/words';
import { useNamesQuery, useNotebooksQuery, useRecentQuery } from '../../state/api';

interface HolderSheetProps {
  title: string;
  onChoose: (holder: { id: string; title: string }) => Promise<unknown>;
  onClose: () => void;
}

/** So many are offered at once. */
const OFFERED = 9;

/** Asks what pages are to stand in, where that does not follow from what they are made of. */
export function HolderSheet({ title, onChoose, onClose }: HolderSheetProps) {
  const [typed, setTyped] = useState('');
  const name = typed.trim();
  const { currentData: named = [] } = useNamesQuery(name, { skip: name === '' });
  const { data: notebooks = [] } = useNotebooksQuery();
  const { data: recent = [] } = useRecentQuery();
  const holders = (name === '' ? recent : named)
    .filter((target) => target.kind !== 'block' && target.standsIn === null)
    .map((target) => ({ id: target.id, title: target.title, detail: whereWords(target) || target.kind }));
  const all = notebooks.map((each) => ({ id: each.id, title: each.name, detail: 'notebook' }));
  const choices = (name === '' ? [...all, ...holders] : holders).slice(0, OFFERED).map((holder): Choice => ({
    key: holder.id,
    words: holder.title,
    detail: holder.detail,
    choose: async () => {
      onClose();
      await onChoose(holder);
    },
  }));
  return (
    <ChoiceSheet
      title={title}
      placeholder="Some letters of a notebook, section or page"
      typed={typed}
      onType={setTyped}
      choices={choices}
      emptyWords="Nothing of this name can hold it."
      onClose={onClose}
    />
  );
}
