import { HIGHLIGHTS } from '../document/types';
import { MAX_CHOICES, MAX_KIND_FIELDS, MAX_KIND_NAME, newField, type Choice, type Field } from '../kinds/field';
import { FIELD_TYPE_NAMES, type FieldTypeName } from '../kinds/types/names';
import { ANYTHING } from '../notices/changed';
import { ordersAfter } from '../outline/order';
import { foldWords } from '../words/words';
import type { PlannedAct } from './act';
import { refused } from './actError';
import { fields, id, line, list, oneOf, optional, orNull, orderKey, yesNo } from './shape';

/**
 * Says what a field of a kind is; what is not given stays as it is. One that is not known yet is made. No page is
 * written: what pages hold is read by what the field is.
 */
export interface SetField {
  do: 'setField';
  id: string;
  kindId: string;
  name?: string;
  type?: FieldTypeName;
  order?: string;
  unit?: string;
  choices?: Choice[];
  ofKind?: string | null;
  isDeleted?: boolean;
}

const MAX_UNIT = 40;

export const setField: PlannedAct<SetField> = {
  shape: {
    kindId: id,
    name: optional(line(MAX_KIND_NAME)),
    type: optional(oneOf(FIELD_TYPE_NAMES)),
    order: optional(orderKey),
    unit: optional(line(MAX_UNIT)),
    choices: optional(
      list(
        fields({ id, name: line(MAX_KIND_NAME), pigment: orNull(oneOf(HIGHLIGHTS)), isDeleted: yesNo }),
        MAX_CHOICES,
      ),
    ),
    ofKind: optional(orNull(id)),
    isDeleted: optional(yesNo),
  },
  touches: () => [],
  changes: [...ANYTHING, 'kinds'],
  isPersonal: true,
  needs: () => [{ kinds: true }],
  plan: ({ do: _do, id: fieldId, kindId, ...said }, outline) => {
    const tree = outline.kinds();
    if (!tree.get(kindId)) throw refused('The kind is not there any more.');
    const before = tree.field(fieldId);
    if (before && before.kindId !== kindId) throw refused('A field stays with its kind.');
    const field: Field = { ...(before ?? newField(fieldId, kindId)), ...said };
    const name = field.name.trim();
    if (name === '') throw refused('A field needs a name.');
    const others = tree.fieldsOf(kindId).filter((each) => each.id !== fieldId);
    const called = others.find((each) => foldWords(each.name.trim()) === foldWords(name));
    if (called && !field.isDeleted) throw refused(`There is a field called “${called.name}” already.`);
    const own = others.filter((each) => each.kindId === kindId);
    if (!before && own.length >= MAX_KIND_FIELDS) throw refused(`A kind has at most ${MAX_KIND_FIELDS} fields.`);
    const order = field.order || ordersAfter(own.at(-1)?.order ?? null, 1)[0]!;
    const undo: SetField = before
      ? { ...before, do: 'setField', choices: [...before.choices] }
      : { do: 'setField', id: fieldId, kindId, isDeleted: true };
    return { changes: [{ change: 'field', field: { ...field, name, order } }], undo: [undo] };
  },
};
