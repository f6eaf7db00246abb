import { turningInto } from '../turning';
import type { KindView } from './kind';

export const note: KindView = {
  name: 'note',
  offers: [
    {
      words: 'Note box',
      detail: '! at the start of a line',
      also: 'remark aside box warning callout',
      turn: turningInto('note'),
    },
  ],
  text: { goesOn: true, typed: [{ find: /^!\s$/u }] },
};
