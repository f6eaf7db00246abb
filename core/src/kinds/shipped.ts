import { namedId } from '../document/ids';
import type { HighlightPigment } from '../document/types';
import type { Pigment } from '../outline/entry';
import { ordersAfter } from '../outline/order';
import type { Field } from './field';
import type { Kind } from './kind';
import type { FieldTypeName } from './types';

interface ShippedField {
  name: string;
  type: FieldTypeName;
  /** The name of the kind that it leads to. */
  ofKind?: ShippedName;
  choices?: readonly (readonly [name: string, pigment: HighlightPigment])[];
}

interface ShippedKind {
  pigment: Pigment;
  /** What pages of it are, for somebody who meets kinds for the first time. */
  says: string;
  fields: readonly ShippedField[];
}

export const SHIPPED_NAMES = ['project', 'person', 'firm', 'meeting', 'reading', 'place'] as const;
export type ShippedName = (typeof SHIPPED_NAMES)[number];

/** The kinds that everybody begins with. They are as they stand here until they are changed. */
export const SHIPPED: Readonly<Record<ShippedName, ShippedKind>> = {
  project: {
    pigment: 'lapis',
    says: 'Something to be brought to an end: what is open anywhere for it is gathered on its page.',
    fields: [
      {
        name: 'State',
        type: 'choice',
        choices: [
          ['under way', 'verdigris'],
          ['waiting', 'ochre'],
          ['finished', 'lapis'],
          ['given up', 'vermilion'],
        ],
      },
      { name: 'Runs', type: 'span' },
      { name: 'Worked on by', type: 'pages', ofKind: 'person' },
      { name: 'At the place', type: 'pages', ofKind: 'place' },
    ],
  },
  person: {
    pigment: 'plum',
    says: 'Somebody: what waits for them, and every meeting with them, stands on their page.',
    fields: [
      { name: 'Trade', type: 'text' },
      { name: 'Works for', type: 'pages', ofKind: 'firm' },
      { name: 'Mail', type: 'address' },
      { name: 'Telephone', type: 'address' },
    ],
  },
  firm: {
    pigment: 'slate',
    says: 'A firm, an office, a society: the people who work for it lead to it.',
    fields: [
      { name: 'Trade', type: 'text' },
      { name: 'On the web', type: 'address' },
      { name: 'Telephone', type: 'address' },
      { name: 'At the place', type: 'pages', ofKind: 'place' },
    ],
  },
  meeting: {
    pigment: 'ochre',
    says: 'A meeting or a call: begun from a line of a day, and found on the project and on each person.',
    fields: [
      { name: 'Held on', type: 'date' },
      { name: 'At', type: 'text' },
      { name: 'Attended by', type: 'pages', ofKind: 'person' },
      { name: 'For the project', type: 'pages', ofKind: 'project' },
    ],
  },
  reading: {
    pigment: 'verdigris',
    says: 'A book, a paper, a page of the web: what you noted of it, and where you used it.',
    fields: [
      { name: 'Written by', type: 'text' },
      { name: 'Year', type: 'number' },
      {
        name: 'State',
        type: 'choice',
        choices: [
          ['to read', 'ochre'],
          ['reading', 'verdigris'],
          ['read', 'lapis'],
        ],
      },
      { name: 'Found at', type: 'address' },
    ],
  },
  place: {
    pigment: 'vermilion',
    says: 'Somewhere: a house, a mill, a stretch of river.',
    fields: [
      { name: 'Stands at', type: 'text' },
      { name: 'Looked after by', type: 'pages' },
    ],
  },
};

/** The id of a kind that everybody begins with, alike on all devices of an account. */
export const shippedKindId = (accountId: string, name: ShippedName): string => namedId(accountId, `kind/${name}`);

/** The id of one of its fields, by the name that it was shipped with. */
export const shippedFieldId = (accountId: string, kind: ShippedName, field: string): string =>
  namedId(accountId, `kind/${kind}/${field}`);

/** The kinds and fields that an account begins with. */
export function shippedKinds(accountId: string): { kinds: Kind[]; fields: Field[] } {
  const kinds = SHIPPED_NAMES.map((name): Kind => {
    const id = shippedKindId(accountId, name);
    const { pigment } = SHIPPED[name];
    return { id, name, broaderId: null, pigment, templateId: null, placeId: null, homeId: null, isDeleted: false };
  });
  const fields = SHIPPED_NAMES.flatMap((kind) => {
    const shipped = SHIPPED[kind].fields;
    const orders = ordersAfter(null, shipped.length);
    return shipped.map(({ name, type, ofKind, choices = [] }, index): Field => ({
      id: shippedFieldId(accountId, kind, name),
      kindId: shippedKindId(accountId, kind),
      name,
      type,
      order: orders[index]!,
      unit: '',
      choices: choices.map(([choice, pigment]) => ({
        id: namedId(accountId, `kind/${kind}/${name}/${choice}`),
        name: choice,
        pigment,
        isDeleted: false,
      })),
      ofKind: ofKind ? shippedKindId(accountId, ofKind) : null,
      isDeleted: false,
    }));
  });
  return { kinds, fields };
}

/** All kinds and fields of an account: what it begins with, as far as it was not changed, and its own. */
export function withShipped(
  accountId: string,
  own: { kinds: readonly Kind[]; fields: readonly Field[] },
): { kinds: Kind[]; fields: Field[] } {
  const shipped = shippedKinds(accountId);
  const changed = new Set([...own.kinds, ...own.fields].map(({ id }) => id));
  return {
    kinds: [...shipped.kinds.filter(({ id }) => !changed.has(id)), ...own.kinds],
    fields: [...shipped.fields.filter(({ id }) => !changed.has(id)), ...own.fields],
  };
}
