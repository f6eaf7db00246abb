import { address } from './address';
import { choice } from './choice';
import { date } from './date';
import { number } from './number';
import { pages } from './pages';
import { span } from './span';
import { text } from './text';
import type { FieldType } from './type';
import { yesNo } from './yesNo';

export { addressTyped, shownAddress } from './address';
export { spanOf, writtenSpan, type Span } from './span';
export type { Asked, FieldOption, FieldType } from './type';

const TYPES = { text, pages, date, span, choice, number, yesNo, address };

export type FieldTypeName = keyof typeof TYPES;

/** Every type of field by its name, in the order in which they are offered. */
export const FIELD_TYPES: Readonly<Record<FieldTypeName, FieldType>> = TYPES;
export const FIELD_TYPE_NAMES = Object.keys(TYPES) as FieldTypeName[];
