import { turningInto } from '../turning';
import type { KindView } from './kind';

export const quote: KindView = {
  name: 'quote',
  offers: [{ words: 'Quote', detail: '> at the start of a line', also: 'citation', turn: turningInto('quote') }],
  text: { element: () => 'blockquote', goesOn: true, typed: [{ find: /^>\s$/u }] },
};
