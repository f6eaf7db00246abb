import type { HighlightPigment } from '../document/types';
import type { FieldTypeName } from './types/names';

/** What can be chosen in a field. One that was deleted is kept, so that pages that hold it can say what it was. */
export interface Choice {
  id: string;
  name: string;
  pigment: HighlightPigment | null;
  isDeleted: boolean;
}

/** What a kind names: something that each of its pages may say of itself. */
export interface Field {
  id: string;
  kindId: string;
  name: string;
  type: FieldTypeName;
  /** Where it stands among the fields of its kind: a fractional index. */
  order: string;
  /** What a number counts: “m”, “kg”, “£”. */
  unit: string;
  choices: readonly Choice[];
  /** The kind of the pages that it leads to, or of one that has this for a broader kind; null for pages of any. */
  ofKind: string | null;
  /** What pages hold of a deleted field is kept, and shown as text. */
  isDeleted: boolean;
}

/** The most characters of the name of a kind, a field or a choice. */
export const MAX_KIND_NAME = 200;
/** The most fields of a kind, and choices of a field. */
export const MAX_KIND_FIELDS = 100;
export const MAX_CHOICES = 200;

/** The choices that can be made today. */
export const openChoices = ({ choices }: Pick<Field, 'choices'>): Choice[] =>
  choices.filter(({ isDeleted }) => !isDeleted);

/** A field of which nothing is said yet. */
export const newField = (id: string, kindId: string): Field => ({
  id,
  kindId,
  name: '',
  type: 'text',
  order: '',
  unit: '',
  choices: [],
  ofKind: null,
  isDeleted: false,
});
