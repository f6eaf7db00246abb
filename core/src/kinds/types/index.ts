import { address } from './address';
import { choice } from './choice';
import { date } from './date';
import type { FieldTypeName } from './names';
import { number } from './number';
import { pages } from './pages';
import { span } from './span';
import { text } from './text';
import type { FieldType } from './type';
import { yesNo } from './yesNo';

export * from './names';
export { addressTyped, shownAddress } from './address';
export { spanOf, writtenSpan, type Span } from './span';
export type { Asked, FieldOption, FieldType } from './type';

/** Every type of field by its name. */
export const FIELD_TYPES: Readonly<Record<FieldTypeName, FieldType>> = {
  text,
  pages,
  date,
  span,
  choice,
  number,
  yesNo,
  address,
};
