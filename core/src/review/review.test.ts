import fc from 'fast-check';
import { addDays, daysBetween, weekdayOf } from '../calendar';
import {
  REVIEWED,
  barsOf,
  daysOf,
  daysToCount,
  periodAfter,
  periodOf,
  reviewOf,
  tookOf,
  type DayCounts,
  type NamingLine,
} from '.';

const MONDAY = 1;
const day = fc.integer({ min: 0, max: 40_000 }).map((count) => addDays('1990-01-01', count));
const begins = fc.constantFrom(0, 1, 6);
const reviewed = fc.constantFrom(...REVIEWED);

const counted = (on: string, rest: Partial<DayCounts> = {}): DayCounts => ({
  day: on,
  isWritten: true,
  words: 100,
  tasksDone: 1,
  tasksPutOff: 0,
  tasksCome: 2,
  pagesBegun: 1,
  pagesChanged: 3,
  ...rest,
});

test('J8 a week, a month and a year have their days', () => {
  expect(daysOf('2026-W48', MONDAY)).toEqual({ first: '2026-11-23', last: '2026-11-29' });
  expect(daysOf('2026-W48', 0)).toEqual({ first: '2026-11-22', last: '2026-11-28' });
  expect(daysOf('2026-W53', MONDAY)).toEqual({ first: '2026-12-28', last: '2027-01-03' });
  expect(daysOf('2024-02', MONDAY)).toEqual({ first: '2024-02-01', last: '2024-02-29' });
  expect(daysOf('2026', MONDAY)).toEqual({ first: '2026-01-01', last: '2026-12-31' });
});

test('J8 every day is in just one period of a length, whichever day weeks begin with, and periods follow each other', () => {
  fc.assert(
    fc.property(day, begins, reviewed, (each, weekBegins, length) => {
      const period = periodOf(length, each, weekBegins);
      const { first, last } = daysOf(period, weekBegins);
      expect(first <= each && each <= last).toBe(true);
      expect(periodOf(length, first, weekBegins)).toBe(period);
      expect(periodOf(length, last, weekBegins)).toBe(period);
      if (length === 'week') expect([weekdayOf(first), daysBetween(first, last)]).toEqual([weekBegins, 6]);
      const next = periodAfter(period, 1, weekBegins);
      expect(daysOf(next, weekBegins).first).toBe(addDays(last, 1));
      expect(periodAfter(next, -1, weekBegins)).toBe(period);
    }),
  );
});

test('J8 the bars of a chart are all the days of its period, each once', () => {
  fc.assert(
    fc.property(day, begins, reviewed, (each, weekBegins, length) => {
      const period = periodOf(length, each, weekBegins);
      const bars = barsOf(period, weekBegins);
      const { first, last } = daysOf(period, weekBegins);
      expect([bars[0]!.first, bars.at(-1)!.last]).toEqual([first, last]);
      bars.slice(1).forEach((bar, index) => expect(bar.first).toBe(addDays(bars[index]!.last, 1)));
    }),
  );
});

test('J8 a month is held against the one before; one that is not over against as many days', () => {
  const days = ['2026-10-02', '2026-10-20', '2026-11-02', '2026-11-09'].map((on) => counted(on));
  const over = reviewOf('2026-11', days, '2026-12-05', MONDAY);
  expect(over.counts).toMatchObject({ daysWritten: 2, words: 200, tasksDone: 2, tasksCome: 4 });
  expect(over.before).toMatchObject({ period: '2026-10', counts: { daysWritten: 2 } });
  const running = reviewOf('2026-11', days, '2026-11-16', MONDAY);
  expect(running.before.days).toEqual({ first: '2026-10-01', last: '2026-10-16' });
  expect(running.before.counts.daysWritten).toBe(1);
  // March is longer than what went before it.
  expect(reviewOf('2026-03', [], '2026-03-30', MONDAY).before.days.last).toBe('2026-02-28');
});

test('J8 a day on which words were taken away counts, and one without a page of its own is not written', () => {
  const days = [counted('2026-11-02', { words: -40 }), counted('2026-11-03', { isWritten: false })];
  const { counts, bars } = reviewOf('2026-11', days, '2026-11-30', MONDAY);
  expect(counts).toMatchObject({ words: 60, daysWritten: 1 });
  expect(bars[1]!.counts.words).toBe(-40);
});

test('J8 what the bars show together is what the period counts', () => {
  const anyDays = fc.array(fc.tuple(day, fc.integer({ min: -50, max: 500 }), fc.boolean()), { maxLength: 60 });
  fc.assert(
    fc.property(anyDays, day, begins, reviewed, (rows, today, weekBegins, length) => {
      const period = periodOf(length, today, weekBegins);
      const { first, last } = daysToCount(period, weekBegins);
      const spread = daysBetween(first, last) + 1;
      const days = new Map(
        rows.map(([on, words, isWritten]) => {
          const within = addDays(first, daysBetween('1990-01-01', on) % spread);
          return [within, counted(within, { words, isWritten })] as const;
        }),
      );
      const review = reviewOf(period, [...days.values()], today, weekBegins);
      for (const name of ['words', 'tasksDone', 'daysWritten', 'pagesChanged'] as const) {
        expect(review.bars.reduce((sum, { counts }) => sum + counts[name], 0)).toBe(review.counts[name]);
      }
    }),
  );
});

test('J8 what took the time: lines that name it, once each, and their words with all beneath, counted once', () => {
  const line = (id: string, wordCount: number, parentId: string | null = null) => ({
    documentId: 'd',
    id,
    parentId,
    wordCount,
  });
  const naming = (blockId: string, pageId: string, on = '2026-11-16', documentId = 'd'): NamingLine => ({
    day: on,
    documentId,
    blockId,
    pageId,
    kind: 'project',
  });
  const lines = [line('a', 4), line('b', 3, 'a'), line('c', 2, 'b'), line('e', 5)];
  const took = tookOf(
    [
      naming('a', 'gate'),
      naming('a', 'gate'),
      naming('c', 'gate'),
      naming('e', 'lime'),
      naming('x', 'lime', '2026-10-20', 'before'),
      naming('y', 'old', '2026-10-21', 'before'),
    ],
    lines,
    (on) => on >= '2026-11-01',
  );
  expect(took).toEqual([
    { pageId: 'gate', kind: 'project', lines: 2, words: 9, linesBefore: 0, days: ['2026-11-16'] },
    { pageId: 'lime', kind: 'project', lines: 1, words: 5, linesBefore: 1, days: ['2026-11-16'] },
  ]);
});
