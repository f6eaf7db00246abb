import { daysInWords } from '@glossarion/core/dates';
import { BEGUN_WITHIN, CHANGED_WITHIN } from '../../../entities/find.queries';
import type { Filter, FilterContext } from './filter';

/** Days before and after all others. */
export const FIRST_DAY = '0000-01-01';
export const LAST_DAY = '9999-12-31';

/** The days that words name with the moments between which they lie; nothing when they name none. */
export function spanOf(value: string, { reading, momentsOf }: FilterContext) {
  const span = daysInWords(value, reading);
  if (!span) return null;
  const { from, to } = span;
  return {
    from: from ?? FIRST_DAY,
    to: to ?? LAST_DAY,
    fromMoment: from ? momentsOf(from)[0] : FIRST_DAY,
    toMoment: to ? momentsOf(to)[1] : LAST_DAY,
  };
}

const noDay = (value: string) => `“${value}” names no day.`;

/** The pages of days, and pages that were begun on them. */
export const written: Filter = {
  names: ['written'],
  resolve: (value, key, context) => {
    const span = spanOf(value, context);
    if (!span) return noDay(value);
    const [days, moments] = [`${key}Days`, `${key}Moments`];
    return {
      sql: BEGUN_WITHIN(days, moments),
      values: {
        [`${days}From`]: span.from,
        [`${days}To`]: span.to,
        [`${moments}From`]: span.fromMoment,
        [`${moments}To`]: span.toMoment,
      },
    };
  },
};

/** What was changed last on one of these days. */
export const changed: Filter = {
  names: ['changed'],
  resolve: (value, key, context) => {
    const span = spanOf(value, context);
    if (!span) return noDay(value);
    return { sql: CHANGED_WITHIN(key), values: { [`${key}From`]: span.fromMoment, [`${key}To`]: span.toMoment } };
  },
};
