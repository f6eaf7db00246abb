import { IN_BIN, STANDS_IN } from '../../../entities/find.queries';
import type { Filter } from './filter';

/** What stands in a notebook, a section or beneath a page, or in the bin. */
export const place: Filter = {
  names: ['in'],
  resolve: (value, key, { named }) => {
    if (value.trim().toLowerCase() === 'bin') return { sql: IN_BIN, values: {} };
    const found = named(value);
    if (found.length === 0) return `Nothing is called “${value}”.`;
    return { sql: STANDS_IN(key), values: { [key]: JSON.stringify(found.map(({ id }) => id)) } };
  },
};
