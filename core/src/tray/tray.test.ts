import fc from 'fast-check';
import { addDays } from '../calendar';
import { longWaitWords, standsOn, titleOfJotting, trayPartOf, waitedFor } from '.';

const TODAY = '2026-11-28';
// Close to each other, so that they are often the same.
const arbitraryDay = fc.integer({ min: -4, max: 4 }).map((days) => addDays(TODAY, days));

test('a jotting waits, comes back on its day and not before, or is kept', () => {
  expect(trayPartOf({ jotting: 'waiting', comesBack: null }, TODAY)).toBe('waiting');
  expect(trayPartOf({ jotting: 'waiting', comesBack: '2026-11-29' }, TODAY)).toBe('comingBack');
  expect(trayPartOf({ jotting: 'waiting', comesBack: TODAY }, TODAY)).toBe('waiting');
  expect(trayPartOf({ jotting: 'kept', comesBack: '2026-11-29' }, TODAY)).toBe('kept');
});

test('a jotting that comes back stands on that day, and from then on on each day that is today, until something is done', () => {
  fc.assert(
    fc.property(arbitraryDay, arbitraryDay, arbitraryDay, (comesBack, day, today) => {
      const stands = standsOn({ jotting: 'waiting', comesBack }, day, today);
      expect(stands).toBe(day === today ? comesBack <= today : day > today && day === comesBack);
      expect(standsOn({ jotting: 'kept', comesBack }, day, today)).toBe(false);
      expect(standsOn({ jotting: 'waiting', comesBack: null }, day, today)).toBe(false);
    }),
  );
});

test('it has waited since it was caught, or came back', () => {
  const begunAt = new Date(2026, 10, 1, 12).toISOString();
  expect(waitedFor({ begunAt, comesBack: null }, TODAY)).toBe(27);
  expect(waitedFor({ begunAt, comesBack: '2026-11-27' }, TODAY)).toBe(1);
  expect(waitedFor({ begunAt, comesBack: '2026-12-27' }, TODAY)).toBe(0);
  expect([14, 27, 70, 800].map(longWaitWords)).toEqual(['2 weeks', '3 weeks', '2 months', '2 years']);
});

test('a page made of a jotting is called by its first sentence, cut between words', () => {
  expect(titleOfJotting('The winch: would hessian under the chain do?')).toBe('The winch');
  expect(titleOfJotting('Ask. Then go')).toBe('Ask. Then go');
  expect(titleOfJotting('  Frost on the apron.  ')).toBe('Frost on the apron');
  const long = titleOfJotting(
    'Whether the leaf could be hung from two straps and the bottom rail left alone altogether',
  );
  expect(long).toBe('Whether the leaf could be hung from two straps and the');
  expect(Array.from(titleOfJotting('x'.repeat(300)))).toHaveLength(60);
});
