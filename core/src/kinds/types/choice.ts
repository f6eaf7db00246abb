import { foldWords } from '../../words/words';
import { openChoices } from '../field';
import type { FieldType } from './type';

/** One of several, named by its id so that it can be called otherwise. */
export const choice: FieldType = {
  label: 'Choice',
  part: 'atom',
  options: ['choices'],
  fits: (atom, asked) => openChoices(asked).some(({ id }) => id === atom),
  words: (atom, { choices }) => choices.find(({ id }) => id === atom)?.name ?? String(atom),
  read(words, asked) {
    const wanted = foldWords(words.trim());
    return openChoices(asked).find(({ name }) => foldWords(name.trim()) === wanted)?.id ?? null;
  },
};
