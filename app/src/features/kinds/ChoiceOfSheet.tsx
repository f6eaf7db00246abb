import { useState } from 'react';
import { foldWords } from '@glossarion/core/words';
import type { Field } from '@glossarion/core/kinds';
import { newId } from '@glossarion/core/document';
import { ChoiceSheet, type Choice } from '../../kit/ChoiceSheet';
import { computed } from './computed';
import { setField } from './kindActs';

interface ChoiceOfSheetProps {
  field: Field;
  /** Null takes away what was chosen. */
  onChoose: (id: string | null) => void;
  onClose: () => void;
}

/** One of what can be chosen in a field, by letters; a new one is made by its name. */
export function ChoiceOfSheet({ field, onChoose, onClose }: ChoiceOfSheetProps) {
  const [typed, setTyped] = useState('');
  const name = typed.trim();
  const open = computed().openChoices(field);
  const wanted = foldWords(name);
  const take = (id: string | null) => {
    onChoose(id);
    onClose();
  };
  const choices: Choice[] = open
    .filter((each) => foldWords(each.name).includes(wanted))
    .map(({ id, name: words }) => ({ key: id, words, detail: '', choose: () => take(id) }));
  if (name !== '' && !open.some((each) => foldWords(each.name) === wanted)) {
    choices.push({
      key: 'new',
      words: `Another choice: “${name}”`,
      detail: `for “${field.name}” on every page`,
      isNew: true,
      choose: async () => {
        const choice = { id: newId(), name, pigment: null, isDeleted: false };
        if (await setField(field, { choices: [...field.choices, choice] }, `“${name}” can be chosen.`)) take(choice.id);
      },
    });
  }
  if (name === '') choices.push({ key: 'none', words: 'Nothing', detail: '', choose: () => take(null) });
  return (
    <ChoiceSheet
      title={field.name}
      placeholder="Some letters"
      typed={typed}
      onType={setTyped}
      choices={choices}
      onClose={onClose}
    />
  );
}
