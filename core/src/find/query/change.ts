import type { Asked, AskedFilter } from './asked';
import { partsOf } from './asked';

/** A filter as it is chosen: by the name it has in the line, and the value it is given. */
export type ChosenFilter = Pick<AskedFilter, 'field' | 'value'>;

const isSame = (asked: Asked, { field, value }: ChosenFilter): boolean =>
  asked.is === 'filter' && asked.field === field && asked.value === value;

const together = (parts: readonly Asked[]): Asked | null => {
  if (parts.length > 1) return { is: 'all', parts, from: 0, to: 0 };
  return parts[0] ?? null;
};

/** The query with a filter besides, which stands before what is not one or is being typed; as it is when it has it. */
export function withFilter(asked: Asked | null, chosen: ChosenFilter): Asked {
  const parts = partsOf(asked);
  if (asked !== null && parts.some((part) => isSame(part, chosen))) return asked;
  const filter: Asked = { is: 'filter', ...chosen, isBeginning: false, from: 0, to: 0 };
  const firstOther = parts.findIndex((part) => part.is !== 'filter' || part.isBeginning);
  const before = firstOther < 0 ? parts.length : firstOther;
  return together([...parts.slice(0, before), filter, ...parts.slice(before)])!;
}

/** The query without a filter that all that is found has to fit. */
export const withoutFilter = (asked: Asked | null, chosen: ChosenFilter): Asked | null =>
  together(partsOf(asked).filter((part) => !isSame(part, chosen)));

/** The filters that all that is found has to fit, in the order of the line. */
export const chosenFilters = (asked: Asked | null): AskedFilter[] =>
  partsOf(asked).filter((part): part is AskedFilter => part.is === 'filter');
