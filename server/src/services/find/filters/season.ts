import { OF_SEASON } from '../../../entities/find.queries';
import type { Filter } from './filter';

/** What is set for later or laid aside, by itself or with what it stands in; what is for now is neither. */
export const season: Filter = {
  names: ['season'],
  resolve: (value, key) => {
    const wanted = value.trim().toLowerCase();
    const names = { [key]: 'aside', [`${key}Later`]: 'later' };
    const [aside, later] = [OF_SEASON(key), OF_SEASON(`${key}Later`)];
    if (wanted === 'now') return { sql: `NOT (${aside} OR ${later})`, values: names };
    if (wanted === 'later') return { sql: `(${later} AND NOT ${aside})`, values: names };
    if (/^(?:laid )?aside$/u.test(wanted)) return { sql: aside, values: { [key]: 'aside' } };
    return `“${value}” is not one of now, later, aside.`;
  },
};
