import { turningInto } from '../turning';
import type { KindView } from './kind';

export const paragraph: KindView = {
  name: 'paragraph',
  offers: [{ words: 'Paragraph', detail: 'plain text', also: 'text line body', turn: turningInto('paragraph') }],
  text: {},
};
