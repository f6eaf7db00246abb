import { dateAtEnd, datesIn, dayTyped, type DateOrder } from '.';

/** A Tuesday. */
const TODAY = '2026-11-24';
const reading = (order: DateOrder = 'day first') => ({ today: TODAY, weekBegins: 1, order });
const found = (text: string, reference: string | null = TODAY) =>
  datesIn(text, reference).map(({ start, end, day }) => `${text.slice(start, end)} = ${day}`);

test.each([
  ['Lift on 14 January 2027 at neaps.', ['14 January 2027 = 2027-01-14']],
  ['Lift on 14 January.', ['14 January = 2027-01-14']],
  ['It was the 3rd of March 1868.', ['3rd of March 1868 = 1868-03-03']],
  ['Read on 2026-09-21 and 21/10/2026.', ['2026-09-21 = 2026-09-21', '21/10/2026 = 2026-10-21']],
  ['Ring tomorrow, or next Tuesday.', ['tomorrow = 2026-11-25', 'next Tuesday = 2026-12-01']],
  ['Came yesterday.', ['yesterday = 2026-11-23']],
  ['Again in 3 weeks.', ['in 3 weeks = 2026-12-15']],
])('%s', (text, days) => expect(found(text)).toEqual(days));

test.each([
  'The pin came out 4.12 twice and 4.15 once.',
  '16:10 Callum rang.',
  'Height 2.10, twelve cores, 22 %.',
  'May be in may, or in March.',
  'Volume 11,500 over 0.94 ha; £4 11s.',
  'Ratio 1/3, gap 3-4, no. 2.',
  'Right now, this morning.',
  '30 February is no day.',
])('no day: %s', (text) => expect(found(text)).toEqual([]));

test('without a day to count from, only dates with a year count', () => {
  expect(found('Tomorrow, 14 January, or 14 January 2027.', null)).toEqual(['14 January 2027 = 2027-01-14']);
});

test('a whole typed date, and one that was just written', () => {
  expect(dayTyped('tomorrow', reading())).toBe('2026-11-25');
  expect(dayTyped('14 jan 2027', reading())).toBe('2027-01-14');
  expect(dayTyped('Harbour 14 January', reading())).toBeNull();
  expect(dayTyped('Sluice gate no. 2', reading())).toBeNull();
  expect(dateAtEnd('We lift it on 14 January', reading())).toMatchObject({ start: 14, end: 24, day: '2027-01-14' });
  expect(dateAtEnd('We lift it on 14 January, perhaps', reading())).toBeNull();
});

test('T4 figures alone are read as the person’s own language writes them', () => {
  expect(dayTyped('03/04/2027', reading())).toBe('2027-04-03');
  expect(dayTyped('03/04/2027', reading('month first'))).toBe('2027-03-04');
  expect(dayTyped('2027-04-03', reading('month first'))).toBe('2027-04-03');
  expect(dayTyped('nov 3', reading())).toBe(dayTyped('nov 3', reading('month first')));
  expect(dateAtEnd('We lift it on 03/04/2027', reading('month first'))?.day).toBe('2027-03-04');
});
