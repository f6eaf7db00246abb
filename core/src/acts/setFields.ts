import { MAX_FIELD_PAGES, MAX_FIELD_TEXT, MAX_PAGE_FIELDS, type Atom, type Fields } from '../document/fields/content';
import { ANYTHING } from '../notices/changed';
import type { PlannedAct } from './act';
import { pageOf } from './ask';
import { either, fields as fieldsOf, id, list, amount, optional, text, yesNo, type Field } from './shape';

/** All that a page holds of one field from now on. */
export interface HeldField {
  field: string;
  atom?: Atom;
  text?: string;
  pages?: string[];
}

/** Writes fields of a page; those that are not named stay as they are. */
export interface SetFields {
  do: 'setFields';
  id: string;
  fields: HeldField[];
}

/** Fields as they come with an act. */
export const heldFields: Field = list(
  fieldsOf({
    field: id,
    atom: optional(either(yesNo, amount, text(MAX_FIELD_TEXT))),
    text: optional(text(MAX_FIELD_TEXT)),
    pages: optional(list(id, MAX_FIELD_PAGES)),
  }),
  MAX_PAGE_FIELDS,
);

/** Fields by their ids. */
export const asFields = (held: readonly HeldField[]): Fields =>
  Object.fromEntries(held.map(({ field, ...content }) => [field, content]));

/** Fields as an act brings them along. */
export const asHeld = (fields: Fields): HeldField[] =>
  Object.entries(fields).map(([field, { pages, ...rest }]) => ({
    field,
    ...rest,
    ...(pages && { pages: [...pages] }),
  }));

export const setFields: PlannedAct<SetFields> = {
  shape: { fields: heldFields },
  touches: (act) => [act.id],
  changes: ANYTHING,
  bringsText: true,
  plan: ({ id: pageId, fields }, outline) => {
    pageOf(outline, pageId);
    const before = outline.beside(pageId).fields;
    return {
      changes: [{ change: 'beside', id: pageId, fields: asFields(fields) }],
      undo: [
        {
          do: 'setFields',
          id: pageId,
          fields: fields.flatMap(({ field }) => asHeld({ [field]: before[field] ?? {} })),
        },
      ],
    };
  },
};
