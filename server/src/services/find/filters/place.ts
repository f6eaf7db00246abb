import { IN_BIN, IN_JOURNAL, IN_TRAY, STANDS_IN } from '../../../entities/find.queries';
import type { Filter } from './filter';

/** What stands in no notebook. */
const PLACES: Readonly<Record<string, string>> = { journal: IN_JOURNAL, tray: IN_TRAY, bin: IN_BIN };

/** What stands in a notebook, a section or beneath a page, in the journal, the Tray or the bin. */
export const place: Filter = {
  names: ['in'],
  resolve: (value, key, { named }) => {
    const own = PLACES[value.trim().toLowerCase()];
    if (own) return { sql: own, values: {} };
    const found = named(value);
    if (found.length === 0) return `Nothing is called “${value}”.`;
    return { sql: STANDS_IN(key), values: { [key]: JSON.stringify(found.map(({ id }) => id)) } };
  },
};
