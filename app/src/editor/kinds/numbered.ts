import { turningInto } from '../turning';
import type { KindView } from './kind';

export const numbered: KindView = {
  name: 'numbered',
  offers: [
    {
      words: 'Numbered item',
      detail: '1. at the start of a line',
      also: 'list ordered',
      turn: turningInto('numbered'),
    },
  ],
  text: { goesOn: true, typed: [{ find: /^\d{1,4}[.)]\s$/u }] },
};
