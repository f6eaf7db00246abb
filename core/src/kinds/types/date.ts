import { isDay } from '../../calendar';
import { dayTyped } from '../../dates';
import type { FieldType } from './type';

/** A day, as ISO 8601 writes it. */
export const date: FieldType = {
  label: 'Date',
  part: 'atom',
  options: [],
  fits: (atom) => typeof atom === 'string' && isDay(atom),
  words: String,
  read: (words, _asked, reading) => (isDay(words.trim()) ? words.trim() : dayTyped(words, reading)),
};
