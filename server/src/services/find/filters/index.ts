import { FILTERS } from './all';
import { fieldFilter } from './field';
import type { FilterContext, Resolved } from './filter';

export { FILTERS };
export type { Condition, Filter, FilterContext } from './filter';

/** What a filter of the line comes to: a condition, why it means nothing, or null when there is no filter of that name. */
export function resolveFilter(
  { field, value }: { field: string; value: string },
  key: string,
  context: FilterContext,
): Resolved | null {
  const name = field.toLowerCase();
  const filter = FILTERS.find(({ names }) => names.includes(name));
  if (!filter) return fieldFilter(field, value, key, context);
  return filter.resolve(value, key, context);
}
