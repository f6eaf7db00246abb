import fc from 'fast-check';
import { addDays, weekOf } from '../calendar';
import { isPeriod, monthPeriod, periodTitle, weekPeriod } from './period';

test('a week is named by its Thursday, as ISO 8601 names weeks, whichever day it begins with', () => {
  // The examples of ISO 8601-1, and ends of years.
  expect(weekPeriod('2008-12-29', 1)).toBe('2009-W01');
  expect(weekPeriod('2010-01-03', 1)).toBe('2009-W53');
  expect(weekPeriod('2026-11-22', 1)).toBe('2026-W47');
  expect(weekPeriod('2026-11-22', 0)).toBe('2026-W48');
  expect(weekPeriod('2026-11-21', 6)).toBe('2026-W48');
  expect([periodTitle('2026-W08'), periodTitle('2026-11')]).toEqual(['Week 8 of 2026', 'November 2026']);
});

test('all days of a week have one period, the next week another', () => {
  const days = fc.integer({ min: 0, max: 60_000 }).map((by) => addDays('1950-01-01', by));
  fc.assert(
    fc.property(days, fc.constantFrom(0, 1, 6), (day, begins) => {
      const first = weekOf(day, begins);
      const week = weekPeriod(first, begins);
      for (let by = 1; by < 7; by += 1) expect(weekPeriod(addDays(first, by), begins)).toBe(week);
      expect(weekPeriod(addDays(first, 7), begins) > week).toBe(true);
      expect([isPeriod(week), isPeriod(monthPeriod(day))]).toEqual([true, true]);
    }),
  );
  expect(['2026-W54', '2026-W00', '2025-W53', '2026-13', '2026', 'x'].filter(isPeriod)).toEqual([]);
});
