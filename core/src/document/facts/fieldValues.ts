import type { Content, Part } from '../fields';
import type { LineFact } from './fact';

/**
 * One thing that a page holds of a field, as it stands there: what it means is for the field's type to say, which may
 * be another tomorrow.
 */
export interface FieldValueFact {
  /** Counts what a page holds of fields. */
  position: number;
  field: string;
  part: Part;
  /** A text, the id of a page, or an atom in figures or words. */
  words: string;
  /** An atom that is a number; 1 and 0 for yes and no. */
  amount: number | null;
}

type Held = Omit<FieldValueFact, 'position' | 'field'>;

const partsOf = ({ atom, text, pages = [] }: Content): Held[] => [
  ...(atom === undefined
    ? []
    : [{ part: 'atom' as const, words: String(atom), amount: typeof atom === 'string' ? null : Number(atom) }]),
  ...(text ? [{ part: 'text' as const, words: text, amount: null }] : []),
  ...pages.map((words) => ({ part: 'pages' as const, words, amount: null })),
];

/** What a page holds of its fields. */
export const fieldValues: LineFact<FieldValueFact> = {
  beside: ({ fields }) =>
    Object.entries(fields)
      .flatMap(([field, content]) => partsOf(content).map((held) => ({ field, ...held })))
      .map((held, position) => ({ position, ...held })),
};
