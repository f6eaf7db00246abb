import fc from 'fast-check';
import { daysInWords } from '.';

// A Thursday.
const reading = { today: '2026-11-26', order: 'day first', weekBegins: 1 } as const;
const said = (words: string) => {
  const span = daysInWords(words, reading);
  return span && `${span.from ?? ''}..${span.to ?? ''}`;
};

test.each([
  ['2026', '2026-01-01..2026-12-31'],
  ['2026-02', '2026-02-01..2026-02-28'],
  ['2026-03-09', '2026-03-09..2026-03-09'],
  ['today', '2026-11-26..2026-11-26'],
  ['yesterday', '2026-11-25..2026-11-25'],
  ['Monday', '2026-11-23..2026-11-23'],
  ['thursday', '2026-11-26..2026-11-26'],
  ['last Thursday', '2026-11-19..2026-11-19'],
  ['this week', '2026-11-23..2026-11-29'],
  ['last week', '2026-11-16..2026-11-22'],
  ['last month', '2026-10-01..2026-10-31'],
  ['last year', '2025-01-01..2025-12-31'],
  ['the last 3 days', '2026-11-24..2026-11-26'],
  ['past two weeks', '2026-11-13..2026-11-26'],
  ['3 weeks ago', '2026-11-02..2026-11-08'],
  ['March', '2026-03-01..2026-03-31'],
  ['december', '2025-12-01..2025-12-31'],
  ['Sept 2024', '2024-09-01..2024-09-30'],
  ['in spring', '2026-03-01..2026-05-31'],
  ['autumn', '2026-09-01..2026-11-30'],
  ['last autumn', '2025-09-01..2025-11-30'],
  ['last spring', '2026-03-01..2026-05-31'],
  ['winter 2024', '2024-12-01..2025-02-28'],
  ['3 March', '2026-03-03..2026-03-03'],
  ['24 December', '2025-12-24..2025-12-24'],
  ['3 March 2027', '2027-03-03..2027-03-03'],
])('%s is %s', (words, span) => expect(said(words)).toBe(span));

test.each([
  ['2026-03..2026-05', '2026-03-01..2026-05-31'],
  ['2026-03..', '2026-03-01..'],
  ['..yesterday', '..2026-11-25'],
  ['March to May', '2026-03-01..2026-05-31'],
  ['between November and February', '2025-11-01..2026-02-28'],
  ['between 2026-05 and 2026-03', '2026-03-01..2026-05-31'],
  ['since Monday', '2026-11-23..'],
  ['>=2026-03', '2026-03-01..'],
  ['>2026-03', '2026-04-01..'],
  ['after March', '2026-04-01..'],
  ['before last week', '..2026-11-15'],
  ['<2026', '..2025-12-31'],
  ['until 9 March', '..2026-03-09'],
  ['about 9 March', '2026-03-06..2026-03-12'],
  ['~2026-03', '2026-02-14..2026-04-15'],
])('%s is %s', (words, span) => expect(said(words)).toBe(span));

test.each(['', '..', 'lime', 'Marchpane', '2026-13', 'since lime', 'lime..March', '99', 'before', '2026-02-30'])(
  '%j is no day',
  (words) => expect(said(words)).toBeNull(),
);

test('whatever is typed, days are in the calendar and in their order', () => {
  const word = fc.constantFrom(
    ...'since|before|March|spring|last|2026|-02|-30|..|>|~|3|weeks|ago|between|and|29 February|Monday|to|of| |0000|9999'.split(
      '|',
    ),
  );
  fc.assert(
    fc.property(
      fc.array(word, { maxLength: 6 }).map((words) => words.join(' ')),
      (words) => {
        const span = daysInWords(words, reading);
        for (const end of [span?.from, span?.to]) if (end) expect(end).toMatch(/^[+-]?\d{4,6}-\d\d-\d\d$/u);
        if (span?.from && span.to && span.from.length === span.to.length) expect(span.from <= span.to).toBe(true);
      },
    ),
    { numRuns: 2_000 },
  );
});
