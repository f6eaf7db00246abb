import type { Atom, Beside, Content } from '../document/fields';
import { dayInText } from '../journal/day';
import type { Field } from './field';
import type { KindTree } from './tree';
import { FIELD_TYPES } from './types';
import { spanOf } from './types/span';

/**
 * What a page holds of a field, in words: each that it holds, in the order in which a form shows them.
 *
 * @param titleOf the present title of a page that it leads to
 * @param said an atom in words: such as the type of the field reads again, unless others are asked for
 */
export function wordsOfField(
  content: Content | undefined,
  field: Field,
  titleOf: (id: string) => string,
  said: (atom: Atom, field: Field) => string = saidAtom,
): string[] {
  if (!content) return [];
  const { atom, text, pages = [] } = content;
  const own = atom === undefined ? [] : [said(atom, field)];
  return [...own, ...(text ? [text] : []), ...pages.map(titleOf)].filter((words) => words !== '');
}

const saidAtom = (atom: Atom, field: Field): string => FIELD_TYPES[field.type].words?.(atom, field) ?? String(atom);

/** A day with its year, whenever it is read. */
const dated = (day: string | null): string => (day === null ? '' : dayInText(day, '0001-01-01'));

/** An atom as a person reads it, in a text that stays. */
function readableAtom(atom: Atom, field: Field): string {
  if (field.type === 'date') return dated(String(atom));
  const span = field.type === 'span' ? spanOf(atom) : null;
  if (span) return span.from === span.to ? dated(span.from) : `${dated(span.from)} – ${dated(span.to)}`.trim();
  if (field.type === 'number') return [saidAtom(atom, field), field.unit].filter(Boolean).join(' ');
  return saidAtom(atom, field);
}

/** What a page is, and holds in its fields, in words. */
export function wordsOfFields(
  { kinds, fields }: Beside,
  tree: KindTree,
  titleOf: (id: string) => string,
): { name: string; words: string }[] {
  const names = kinds.flatMap((id) => tree.get(id)?.name ?? []);
  const said = tree.fieldsOfPage(kinds, Object.keys(fields)).map((field) => ({
    name: field.name,
    words: wordsOfField(fields[field.id], field, titleOf, readableAtom).join(', '),
  }));
  return [...(names.length > 0 ? [{ name: 'Kind', words: names.join(', ') }] : []), ...said].filter(
    ({ words }) => words !== '',
  );
}
