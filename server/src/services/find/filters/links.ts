import { LINKS_TO } from '../../../entities/find.queries';
import type { Filter } from './filter';

/** Pages that link to one, or to a line on it. */
export const links: Filter = {
  names: ['links'],
  resolve: (value, key, { named }) => {
    const found = named(value);
    if (found.length === 0) return `Nothing is called “${value}”.`;
    return { sql: LINKS_TO(key), values: { [key]: JSON.stringify(found.map(({ id }) => id)) } };
  },
};
