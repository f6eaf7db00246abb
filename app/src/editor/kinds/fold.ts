import { toggleFold } from '../outline';
import { turningInto } from '../turning';
import type { KindView, LineMark, MarkedLine } from './kind';

function foldMark(line: MarkedLine): LineMark {
  const button = document.createElement('button');
  button.className = 'fold';
  button.type = 'button';
  button.contentEditable = 'false';
  button.addEventListener('mousedown', (event) => event.preventDefault());
  button.addEventListener('click', () => line.change(toggleFold));
  return {
    dom: button,
    show: ({ folded }) => {
      button.setAttribute('aria-expanded', String(folded !== true));
      button.setAttribute('aria-label', folded === true ? 'Open what is folded' : 'Fold what is beneath');
    },
  };
}

export const fold: KindView = {
  name: 'fold',
  offers: [
    {
      words: 'Foldable',
      detail: '>> at the start of a line',
      also: 'toggle collapse details accordion',
      turn: turningInto('fold'),
    },
  ],
  text: { mark: foldMark, typed: [{ find: /^>>\s$/u }] },
};
