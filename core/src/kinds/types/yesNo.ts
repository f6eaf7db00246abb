import type { FieldType } from './type';

const YES = /^(?:yes|y|true|on|done)$/iu;
const NO = /^(?:no|n|false|off|none)$/iu;

export const yesNo: FieldType = {
  label: 'Yes or no',
  part: 'atom',
  options: [],
  fits: (atom) => typeof atom === 'boolean',
  words: (atom) => (atom === true ? 'yes' : 'no'),
  read(words) {
    const typed = words.trim();
    return YES.test(typed) ? true : NO.test(typed) ? false : null;
  },
};
