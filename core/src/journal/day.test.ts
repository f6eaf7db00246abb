import fc from 'fast-check';
import { checkBody } from '../document';
import {
  addDays,
  DAY_HEADINGS,
  dayId,
  dayInText,
  daysBetween,
  daysById,
  dayTemplate,
  dayTitle,
  dayTitleWithYear,
  inkOf,
  isDay,
  localDay,
  nearDate,
  untilMidnight,
  weekdayOf,
} from './index';

const ACCOUNT = '01890a5d-ac96-774b-bcce-b302099a8057';
const OTHER = '01890a5d-ac96-774b-bcce-b302099a8058';
test.each(['2026-03-09', '2024-02-29', '2000-02-29', '0999-12-31'])('%s is a day', (day) => {
  expect(isDay(day)).toBe(true);
});
test.each(['2026-02-29', '1900-02-29', '2026-13-01', '2026-04-31', '2026-3-9', '2026-03-09 ', '', null, 20260309])(
  '%s is none',
  (day) => {
    expect(isDay(day)).toBe(false);
  },
);

test('days are added and told apart over months, years and the change of the clocks', () => {
  expect(addDays('2026-02-28', 1)).toBe('2026-03-01');
  expect(addDays('2024-02-28', 1)).toBe('2024-02-29');
  expect(addDays('2027-01-01', -1)).toBe('2026-12-31');
  fc.assert(
    fc.property(fc.integer({ min: -40_000, max: 40_000 }), (days) => {
      const day = addDays('2026-03-29', days);
      expect(isDay(day)).toBe(true);
      expect(daysBetween('2026-03-29', day)).toBe(days);
      expect(weekdayOf(day)).toBe(((days % 7) + 7) % 7);
    }),
  );
});

test('the day is the one where the person is', () => {
  expect(localDay(new Date('2026-07-09T22:59:00Z'))).toBe('2026-07-09');
  expect(localDay(new Date('2026-07-09T23:00:00Z'))).toBe('2026-07-10');
  expect(localDay(new Date('2026-01-09T23:59:00Z'))).toBe('2026-01-09');
});

test('midnight comes an hour sooner, or later, on a day when the clocks change', () => {
  const hours = (moment: string) => untilMidnight(new Date(moment)) / 3_600_000;
  expect(hours('2026-03-28T00:00:00Z')).toBe(24);
  expect(hours('2026-03-29T00:00:00Z')).toBe(23);
  expect(hours('2026-10-25T00:00:00+01:00')).toBe(25);
  expect(hours('2026-12-31T23:59:00Z')).toBeCloseTo(1 / 60);
});

test('two devices of an account make the same day with the same lines; two accounts do not', () => {
  const id = dayId(ACCOUNT, '2026-03-09');
  expect(dayId(ACCOUNT, '2026-03-09')).toBe(id);
  expect(dayId(OTHER, '2026-03-09')).not.toBe(id);
  expect(dayTemplate(id)).toEqual(dayTemplate(id));
  const lines = dayTemplate(id).content;
  expect(new Set(lines.map((node) => node.attrs!.id)).size).toBe(2 * DAY_HEADINGS.length);
  expect(checkBody(dayTemplate(id))).toEqual(dayTemplate(id));
});

test('the day an id is that of is known for all years that links are made to', () => {
  const days = daysById(ACCOUNT);
  expect(days.get(dayId(ACCOUNT, '1950-01-01'))).toBe('1950-01-01');
  expect(days.get(dayId(ACCOUNT, '2099-12-31'))).toBe('2099-12-31');
  expect(days.get(dayId(OTHER, '2026-03-09'))).toBeUndefined();
});

test('a day is named in full, in a line, and as short as it stays clear', () => {
  expect(dayTitle('2026-03-09')).toBe('Monday 9 March');
  expect(dayTitleWithYear('2026-03-09')).toBe('Monday 9 March 2026');
  expect([dayInText('2026-01-14', '2026-03-09'), dayInText('2025-01-14', '2026-03-09')]).toEqual([
    '14 January',
    '14 January 2025',
  ]);
  const near = (day: string) => nearDate(day, '2026-03-09');
  expect(['2026-03-09', '2026-03-08', '2026-03-05', '2026-03-02', '2025-10-02', '2026-03-10'].map(near)).toEqual([
    'today',
    'yesterday',
    'Thu',
    '2 Mar',
    '2 Oct 2025',
    '10 Mar',
  ]);
});

test('ink is none for an empty day, never more than full, and darker the more was written', () => {
  expect([inkOf(0), inkOf(-3), inkOf(1_000_000)]).toEqual([0, 0, 1]);
  const marks = [1, 10, 40, 120, 400].map(inkOf);
  expect(marks).toEqual([...marks].sort((one, other) => one - other));
  expect(new Set(marks).size).toBe(marks.length);
  expect(marks[0]).toBeGreaterThan(0.1);
});
