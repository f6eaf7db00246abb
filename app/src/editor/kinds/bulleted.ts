import { turningInto } from '../turning';
import type { KindView } from './kind';

export const bulleted: KindView = {
  name: 'bulleted',
  offers: [
    {
      words: 'Bulleted item',
      detail: '- at the start of a line',
      also: 'list point dash',
      turn: turningInto('bulleted'),
    },
  ],
  text: { goesOn: true, typed: [{ find: /^[-*+]\s$/u }] },
};
