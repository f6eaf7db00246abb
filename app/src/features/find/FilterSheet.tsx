import { useState } from 'react';
import type { FoundCounts } from '@glossarion/core/find';
import type { ChosenFilter } from '@glossarion/core/find/query';
import { foldWords } from '@glossarion/core/words';
import { ChoiceSheet, type Choice } from '../../kit/ChoiceSheet';
import { placeWords } from '../../screen/words';
import { useNamesQuery } from '../../state/api';
import type { Slot } from './slots';

/** Of many values so many are offered before anything is typed. */
const OFFERED = 40;

interface FilterSheetProps {
  slot: Slot;
  before: ChosenFilter | null;
  counts: FoundCounts | undefined;
  onTake: (next: ChosenFilter | null) => void;
  onClose: () => void;
}

/** Chooses what a part of the sentence says: one of what there is, or what is typed. */
export function FilterSheet({ slot, before, counts, onTake, onClose }: FilterSheetProps) {
  const [typed, setTyped] = useState('');
  const name = typed.trim();
  const { currentData: named = [] } = useNamesQuery(name, { skip: name === '' || !slot.hasNames });
  const wanted = foldWords(name);
  const take = (value: string) => () => onTake(slot.filter(value));
  const values = slot.values(counts).filter(({ words }) => foldWords(words).includes(wanted));
  const choices: Choice[] = [
    ...(before && name === ''
      ? [
          {
            key: 'none',
            words: slot.key === 'more' ? 'Not any more' : slot.open,
            detail: '',
            choose: () => onTake(null),
          },
        ]
      : []),
    ...values.slice(0, OFFERED).map(({ value, words, count }) => ({
      key: value,
      words,
      detail: count === undefined ? '' : String(count),
      choose: take(value),
    })),
    ...named
      .filter(({ title }) => !values.some(({ value }) => value === title))
      .map((target) => ({
        key: target.id,
        words: slot.key === 'more' ? `linking to ${target.title}` : target.title,
        detail: placeWords(target),
        choose: take(target.title),
      })),
    ...(slot.takesTyped && name !== '' && !values.some(({ value }) => value === name)
      ? [{ key: 'typed', words: `${slot.title.toLowerCase()} ${name}`, detail: '', choose: take(name) }]
      : []),
  ];
  return (
    <ChoiceSheet
      title={slot.title}
      placeholder={slot.placeholder}
      typed={typed}
      onType={setTyped}
      choices={choices}
      emptyWords={name === '' ? 'Nothing of what was found has any.' : 'Nothing is called so.'}
      onClose={onClose}
    />
  );
}
