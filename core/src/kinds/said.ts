import { canonicalBeside, canonicalContent, type Atom, type Beside, type Content } from '../document/fields';
import { isId } from '../document/ids';
import type { Reading } from '../dates';
import { foldWords } from '../words/words';
import { ordersAfter } from '../outline/order';
import { newField, type Choice, type Field } from './field';
import { newKind, type Kind } from './kind';
import type { KindTree } from './tree';
import { FIELD_TYPES, type FieldTypeName } from './types';

/** Kinds and fields as somebody else names them: a file that comes in. */
export interface SaidBeside {
  kinds: readonly string[];
  fields: readonly SaidField[];
}

export type SaidValue = string | number | boolean;

/** What is said of a field, by its name: in words, and by links to pages. */
export interface SaidField {
  name: string;
  words: readonly SaidValue[];
  pages: readonly string[];
  /** All that it holds, part by part, where that is said. */
  held?: Content;
}

/** What is written in a file means the same on any day and wherever it is read. */
const PLAINLY: Reading = { today: '2000-01-01', order: 'day first', weekBegins: 1 };

/** Types that words are tried as, the narrowest first, where nothing is known of a field. */
const GUESSED: readonly FieldTypeName[] = ['yesNo', 'number', 'date', 'span', 'address'];

/** What a page holds of a field by what is said of it. What the field’s type can’t read is kept as text. */
export function readSaid({ words, pages, held }: SaidField, field: Field): Content {
  if (held) return canonicalContent(held);
  const type = FIELD_TYPES[field.type];
  if (type.part !== 'atom') return canonicalContent({ text: words.map(String).join('\n'), pages });
  const [first, ...others] = words;
  const atom = first === undefined ? null : asAtom(first, field);
  const rest = atom === null ? words : others;
  return canonicalContent({
    ...(atom !== null && { atom }),
    ...(rest.length > 0 && { text: rest.map(String).join('\n') }),
    pages,
  });
}

function asAtom(value: SaidValue, field: Field): Atom | null {
  const type = FIELD_TYPES[field.type];
  if (typeof value !== 'string' && type.fits!(value, field)) return value;
  return type.read!(String(value), field, PLAINLY);
}

const typeOf = ({ words, pages, held }: SaidField): FieldTypeName => {
  if (held) return 'text';
  if (words.length === 0) return pages.length > 0 ? 'pages' : 'text';
  const asked = { unit: '', choices: [] };
  const fits = (name: FieldTypeName) =>
    words.every((each) => FIELD_TYPES[name].read!(String(each), asked, PLAINLY) !== null);
  return (words.length === 1 && pages.length === 0 && GUESSED.find(fits)) || 'text';
};

/** Kinds and fields that are made when somebody names them who knew none. */
export interface MadeKinds {
  kinds: Kind[];
  fields: Field[];
}

/**
 * Finds the kinds and fields that are named, and makes those that are not there: a field belongs to the first kind that
 * is named, and holds what its words look like.
 *
 * @param said where a field is named by another name than its id, there is a kind
 * @param newId gives the ids of what is made
 */
export function besideOfSaid(
  tree: KindTree,
  said: SaidBeside,
  newId: () => string,
): { beside: Beside; made: MadeKinds } {
  const made: MadeKinds = { kinds: [], fields: [] };
  let known = tree;
  const renew = () => (known = tree.with(made));
  const kinds = said.kinds.map((name) => {
    const isGiven: boolean = isId(name);
    const present = isGiven ? known.get(name) : known.named(name);
    if (present) return present.id;
    if (isGiven) return name;
    const kind = newKind(newId(), name.trim());
    made.kinds.push(kind);
    renew();
    return kind.id;
  });
  const fields: [string, Content][] = [];
  for (const each of said.fields) {
    let field = isId(each.name) ? known.field(each.name) : known.fieldNamed(kinds, each.name);
    if (!field && isId(each.name)) {
      fields.push([
        each.name,
        canonicalContent(each.held ?? { text: each.words.map(String).join('\n'), pages: each.pages }),
      ]);
      continue;
    }
    if (!field) {
      const own = known.fieldsOf(kinds[0]!);
      const order = ordersAfter(own.at(-1)?.order ?? null, 1)[0]!;
      field = { ...newField(newId(), kinds[0]!), name: each.name.trim(), type: typeOf(each), order };
      made.fields.push(field);
      renew();
    }
    const withChoices = withChoicesFor(field, each, newId);
    if (withChoices !== field) {
      made.fields = [...withChanged(made.fields, [withChoices])];
      renew();
    }
    fields.push([field.id, readSaid(each, withChoices)]);
  }
  return { beside: canonicalBeside({ kinds, fields: Object.fromEntries(fields) }), made };
}

/** Fields with others in the place of those that have their ids. */
function withChanged(fields: readonly Field[], changed: readonly Field[]): Iterable<Field> {
  return new Map([...fields, ...changed].map((field) => [field.id, field])).values();
}

/** A field with the choices that are named and are not among its own yet. */
function withChoicesFor(field: Field, { words, held }: SaidField, newId: () => string): Field {
  if (field.type !== 'choice' || held) return field;
  const names = words.slice(0, 1).map(String);
  const missing = names.filter(
    (name) =>
      name.trim() !== '' && !field.choices.some((choice) => foldWords(choice.name.trim()) === foldWords(name.trim())),
  );
  if (missing.length === 0) return field;
  const choices = missing.map((name): Choice => ({ id: newId(), name: name.trim(), pigment: null, isDeleted: false }));
  return { ...field, choices: [...field.choices, ...choices] };
}
