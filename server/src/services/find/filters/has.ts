import { HAS_FILES, HAS_OPEN_TASKS } from '../../../entities/find.queries';
import type { Filter } from './filter';

const HELD: Readonly<Record<string, string>> = { tasks: HAS_OPEN_TASKS, files: HAS_FILES };

/** Pages with tasks that are not done, or with files. */
export const has: Filter = {
  names: ['has'],
  resolve: (value) => {
    const sql = HELD[value.trim().toLowerCase()];
    return sql ? { sql, values: {} } : `“${value}” is not one of ${Object.keys(HELD).join(', ')}.`;
  },
};
