import type { Reading } from '../dates';
import { canonicalContent, type Atom, type Content, type Part } from '../document/fields';
import type { Field } from './field';
import { FIELD_TYPES, type FieldType } from './types';

/**
 * What a page holds of a field, as the field's type is today. Retyping a field rewrites no page: what a page holds is
 * read anew. What fits is taken over; what does not is kept, and shown as text beside.
 */
export interface Holding {
  /** What types without text and pages hold; null when that is nothing. */
  atom: Atom | null;
  text: string;
  pages: readonly string[];
  /** The part that it is read from, where that is another than the type's own. */
  takenFrom: Part | null;
  /** What is held beside it and fits no more. */
  kept: Kept;
}

/** What fits no more: words, and pages that are led to all the same. */
export interface Kept {
  atom?: string;
  text?: string;
  pages?: readonly string[];
}

type Described = Pick<Field, 'type' | 'unit' | 'choices' | 'isDeleted'>;

/** Two readers who agree on nothing: what both read alike is so on any day, by anybody's habits. */
const READERS: readonly [Reading, Reading] = [
  { today: '2001-03-04', order: 'day first', weekBegins: 1 },
  { today: '2018-10-19', order: 'month first', weekBegins: 0 },
];

/** What words mean whoever reads them, and whenever. */
function readAlways(words: string, { read }: FieldType, field: Described): Atom | null {
  const [one, other] = READERS.map((reading) => read?.(words, field, reading) ?? null);
  return one === other ? one! : null;
}

/** An atom in words, whatever type it was written by. */
export function atomWords(atom: Atom, field: Pick<Field, 'unit' | 'choices'>): string {
  if (typeof atom === 'boolean') return FIELD_TYPES.yesNo.words!(atom, field);
  if (typeof atom === 'number') return FIELD_TYPES.number.words!(atom, field);
  return FIELD_TYPES.choice.words!(atom, field);
}

const NOTHING_HELD: Holding = { atom: null, text: '', pages: [], takenFrom: null, kept: {} };

/** Of kept parts those that say something. */
const saying = ({ atom, text, pages }: Kept): Kept => ({
  ...(atom && { atom }),
  ...(text && { text }),
  ...(pages && pages.length > 0 && { pages }),
});

/** Reads what a page holds of a field. */
export function readHolding({ atom, text, pages }: Content, field: Described): Holding {
  const type = FIELD_TYPES[field.type];
  const words = atom === undefined ? undefined : atomWords(atom, field);
  if (field.isDeleted) return { ...NOTHING_HELD, kept: saying({ atom: words, text, pages }) };
  if (type.part === 'pages') return { ...NOTHING_HELD, pages: pages ?? [], kept: saying({ atom: words, text }) };
  if (type.part === 'text') {
    if (text || words === undefined) return { ...NOTHING_HELD, text: text ?? '', kept: saying({ atom: words, pages }) };
    return { ...NOTHING_HELD, text: words, takenFrom: 'atom', kept: saying({ pages }) };
  }
  if (atom !== undefined && type.fits!(atom, field)) return { ...NOTHING_HELD, atom, kept: saying({ text, pages }) };
  const fromAtom = words === undefined ? null : readAlways(words, type, field);
  if (fromAtom !== null) return { ...NOTHING_HELD, atom: fromAtom, takenFrom: 'atom', kept: saying({ text, pages }) };
  const fromText = text ? readAlways(text, type, field) : null;
  if (fromText !== null)
    return { ...NOTHING_HELD, atom: fromText, takenFrom: 'text', kept: saying({ atom: words, pages }) };
  return { ...NOTHING_HELD, kept: saying({ atom: words, text, pages }) };
}

/** Whether a field says something on a page. */
export const isFilled = ({ atom, text, pages }: Holding): boolean => atom !== null || text !== '' || pages.length > 0;

/** A value as one writes it: an atom, a text or pages, as the type has it; null for none. */
export type Value = Atom | readonly string[] | null;

/** Writes a value into a field: what it was read from goes with it, what fits no more stays. */
export function withValue(content: Content, field: Described, value: Value): Content {
  const { part } = FIELD_TYPES[field.type];
  const { takenFrom, kept } = readHolding(content, field);
  const rest: Content = { ...content };
  if (takenFrom) delete rest[takenFrom];
  // An atom that fits no more would be lost beneath the new one.
  if (part === 'atom' && kept.atom && value !== null) rest.text = [rest.text, kept.atom].filter(Boolean).join('\n');
  delete rest[part];
  if (value === null || value === '') return canonicalContent(rest);
  return canonicalContent({ ...rest, [part]: value });
}

/** Takes away what fits no more. */
export function withoutKept(content: Content, field: Described): Content {
  const { kept } = readHolding(content, field);
  const rest: Content = { ...content };
  for (const part of Object.keys(kept) as Part[]) delete rest[part];
  return rest;
}

/** All that a field says on a page in words, what fits no more too, with pages by what `titleOf` says of them. */
export function holdingWords(
  { atom, text, pages, kept }: Holding,
  field: Described,
  titleOf: (id: string) => string,
): string[] {
  const own = atom === null ? [] : [FIELD_TYPES[field.type].words!(atom, field)];
  return [
    ...own,
    ...(text ? [text] : []),
    ...pages.map(titleOf),
    ...(kept.atom ? [kept.atom] : []),
    ...(kept.text ? [kept.text] : []),
    ...(kept.pages ?? []).map(titleOf),
  ];
}
