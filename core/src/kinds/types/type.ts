import type { Reading } from '../../dates';
import type { Atom, Part } from '../../document/fields';
import type { Field } from '../field';

/** What a type must know of a field to read what it holds, and write it. */
export type Asked = Pick<Field, 'unit' | 'choices'>;

/** What can be told of a field beside its type: what a sheet asks for. */
export type FieldOption = 'unit' | 'choices' | 'ofKind';

/** A type of field: what it holds, how that is read from words and said in words. */
export interface FieldType {
  /** What it is called in a list of types. */
  label: string;
  /** The part of what a page holds that it writes to. */
  part: Part;
  options: readonly FieldOption[];
  /** Whether an atom is one of its own. Types whose part is another have none. */
  fits?: (atom: Atom, asked: Asked) => boolean;
  /** An atom of its own in words, as it is shown where nothing else can be: in plain text, in front matter, when it is kept. */
  words?: (atom: Atom, asked: Asked) => string;
  /**
   * What words mean, as one types them; null when they mean nothing to it. Reads all that `words` gives, whatever the
   * day and the habits.
   */
  read?: (words: string, asked: Asked, reading: Reading) => Atom | null;
}
