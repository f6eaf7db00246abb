import { linkToken } from '@glossarion/core/links';
import { LINKS_TO } from '../../../entities/find.queries';
import type { Filter } from './filter';

/** Pages that link to one, or to a line on it. */
export const links: Filter = {
  names: ['links'],
  resolve: (value, key, { named }) => {
    const found = named(value);
    if (found.length === 0) return `Nothing is called “${value}”.`;
    const ids = found.map(({ id }) => id);
    return { sql: LINKS_TO(key), values: { [key]: JSON.stringify(ids) }, tokens: ids.map(linkToken) };
  },
};
