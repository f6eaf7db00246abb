import fc from 'fast-check';
import ICAL from 'ical.js';
import { addDays, addMonths, type DayDate } from '../../calendar';
import { repeatWords } from '../says';
import { taskOf } from '../task';
import { takenBack, TaskError, type TaskChange } from '../taskChange';
import { whenAtEnd } from '../phrases';
import { changedTask, completeRule, nextAfter, nextFromDone } from './index';

const TODAY = '2026-11-26';
type Line = Record<string, string | null>;

const set = (line: Line, change: TaskChange, occurrence: string | null = null): Line => ({
  ...line,
  ...changedTask(line, change, occurrence),
});
const done = (today: DayDate = TODAY): TaskChange => ({ set: 'state', state: 'done', today });

describe('T1 a task', () => {
  test('is done once, however often it is ticked at once, and opened again', () => {
    const once = set({}, done());
    expect(once).toEqual({ state: 'done', doneOn: TODAY });
    expect(changedTask(once, done('2026-11-27'))).toEqual({});
    expect(set(once, { set: 'state', state: 'open', today: TODAY })).toEqual({ state: 'open', doneOn: null });
  });

  test('that repeats stays one line: ticking notes the day and sets the next', () => {
    const line = set({}, { set: 'repeat', repeat: 'FREQ=WEEKLY;BYDAY=MO', today: TODAY });
    expect(line).toEqual({ repeat: 'FREQ=WEEKLY;BYDAY=MO', due: '2026-11-30' });
    const after = set({ ...line, for: '2026-12-01' }, done('2026-12-01'), '2026-11-30');
    expect(after).toEqual({
      repeat: 'FREQ=WEEKLY;BYDAY=MO',
      due: '2026-12-07',
      for: null,
      state: 'open',
      doneOn: '2026-12-01/2026-11-30',
    });
    // A second window ticks the same time of it.
    expect(changedTask(after, done('2026-12-01'), '2026-11-30')).toEqual({});
    // And the time that was done is opened again.
    const again = set(after, { set: 'state', state: 'open', today: '2026-12-01' }, '2026-11-30');
    expect(again).toMatchObject({ due: '2026-11-30', doneOn: null });
  });

  test('keeps its time of day from one time to the next', () => {
    const line = { due: '2026-11-23T09:30', repeat: 'FREQ=WEEKLY;BYDAY=MO' };
    expect(set(line, done())).toMatchObject({ due: '2026-11-30T09:30' });
  });

  test('that was missed for days comes next after today, and none of what was missed', () => {
    expect(set({ due: '2026-11-20', repeat: 'FREQ=DAILY' }, done())).toMatchObject({ due: '2026-11-27' });
  });

  test('that is counted from the day it was done', () => {
    const line = { due: '2026-11-20', repeat: 'FREQ=DAILY;INTERVAL=3', counted: 'done' };
    expect(set(line, done())).toMatchObject({ due: '2026-11-29', repeat: 'FREQ=DAILY;INTERVAL=3' });
    const monthly = { due: '2028-01-31', repeat: 'FREQ=MONTHLY', counted: 'done' };
    const next = set(monthly, done('2028-01-31'));
    expect(next).toMatchObject({ due: '2028-02-29', repeat: 'FREQ=MONTHLY' });
    expect(set(next, done('2028-02-29'))).toMatchObject({ due: '2028-03-29' });
  });

  test('of the 31st falls on a short month’s last day, and on the 31st again', () => {
    const line = set({ due: '2027-01-31' }, { set: 'repeat', repeat: 'FREQ=MONTHLY', today: TODAY });
    const days = [line];
    for (let month = 0; month < 3; month += 1) days.push(set(days.at(-1)!, done(days.at(-1)!.due!)));
    expect(days.map(({ due }) => due)).toEqual(['2027-01-31', '2027-02-28', '2027-03-31', '2027-04-30']);
  });

  test('ends after a number of times, or on a day; a time is skipped', () => {
    const line = { due: '2026-11-26', repeat: 'FREQ=DAILY;COUNT=3' };
    const second = set(line, done());
    expect(second).toMatchObject({ due: '2026-11-27', repeat: 'FREQ=DAILY;COUNT=2', state: 'open' });
    const third = set(second, { set: 'skipped', today: '2026-11-27' });
    expect(third).toMatchObject({ due: '2026-11-28', repeat: 'FREQ=DAILY;COUNT=1', doneOn: '2026-11-26' });
    expect(set(third, done('2026-11-28'))).toMatchObject({ state: 'done', due: '2026-11-28' });
    const until = { due: '2026-11-26', repeat: 'FREQ=DAILY;UNTIL=20261126' };
    expect(set(until, done())).toMatchObject({ state: 'done', due: '2026-11-26' });
    expect(() => changedTask({}, { set: 'skipped', today: TODAY })).toThrow(TaskError);
  });

  test.each(['FREQ=HOURLY', 'FREQ=MINUTELY;INTERVAL=10', 'FREQ=DAILY;BYHOUR=9,17'])(
    'is not repeated by %s',
    (repeat) => {
      expect(() => changedTask({}, { set: 'repeat', repeat, today: TODAY })).toThrow(/daily at most/u);
    },
  );

  test('that went on since is not set back beneath what came after', () => {
    const line: Line = { due: '2026-11-26', repeat: 'FREQ=DAILY' };
    const values = changedTask(line, done());
    const back = takenBack(line, values);
    const next = set(line, done());
    const after = set(next, done('2026-11-27'));
    expect(() => changedTask(after, back, next.due)).toThrow(TaskError);
  });
});

const day = fc.integer({ min: 0, max: 3000 }).map((days) => addDays('2024-01-15', days));
const weekdays = fc
  .subarray(['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'], { minLength: 1 })
  .map((days) => days.join(','));
const interval = fc.integer({ min: 1, max: 5 });

/** Rules as people make them. */
const rule = fc.oneof(
  interval.map((count) => `FREQ=DAILY;INTERVAL=${count}`),
  fc.tuple(interval, weekdays).map(([count, days]) => `FREQ=WEEKLY;INTERVAL=${count};BYDAY=${days}`),
  interval.map((count) => `FREQ=WEEKLY;INTERVAL=${count}`),
  interval.map((count) => `FREQ=MONTHLY;INTERVAL=${count}`),
  fc
    .tuple(interval, fc.integer({ min: 1, max: 31 }))
    .map(([count, date]) => `FREQ=MONTHLY;INTERVAL=${count};BYMONTHDAY=${date}`),
  fc
    .tuple(fc.constantFrom(1, 2, 3, 4, -1), weekdays)
    .map(([nth, days]) => `FREQ=MONTHLY;BYDAY=${nth}${days.slice(0, 2)}`),
  fc.constant('FREQ=MONTHLY;BYMONTHDAY=-1'),
  interval.map((count) => `FREQ=YEARLY;INTERVAL=${count}`),
);

/** The days a rule falls on for ten years, as ical.js computes them. */
function byIcal(text: string, from: DayDate): DayDate[] {
  const end = addMonths(from, 120);
  const days: DayDate[] = [];
  const iterator = ICAL.Recur.fromString(text).iterator(ICAL.Time.fromDateString(from));
  for (let next = iterator.next(); next && next.toString() <= end; next = iterator.next()) days.push(next.toString());
  // ical.js passes over BYSETPOS beside BYMONTHDAY: the last of each month's is taken of what it finds.
  const isLast = (day: DayDate, index: number) => days[index + 1]?.slice(0, 7) !== day.slice(0, 7);
  return text.includes('BYSETPOS=-1') ? days.filter(isLast) : days;
}

test('repeats agree with ical.js over ten years, from every day that they fall on', () => {
  fc.assert(
    fc.property(rule, day, (text, start) => {
      const complete = completeRule(text, start);
      const [first, ...expected] = byIcal(complete, start);
      let due = first!;
      const days: DayDate[] = [];
      for (let next = nextAfter(complete, due, due); next && next.day <= addMonths(start, 120);) {
        days.push(next.day);
        due = next.day;
        next = nextAfter(next.rule, due, due);
      }
      expect(days).toEqual(expected);
    }),
    { numRuns: 60 },
  );
});

test('a repeat that is counted from its doing comes as much later, and never earlier', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 40 }), day, (count, start) => {
      expect(nextFromDone(`FREQ=DAILY;INTERVAL=${count}`, start)?.day).toBe(addDays(start, count));
      expect(nextFromDone(`FREQ=WEEKLY;INTERVAL=${count}`, start)?.day).toBe(addDays(start, 7 * count));
      expect(nextFromDone(`FREQ=MONTHLY;INTERVAL=${count}`, start)?.day).toBe(addMonths(start, count));
    }),
  );
});

const state = fc.constantFrom('open', 'begun', 'done', 'dropped' as const);
const change: fc.Arbitrary<TaskChange> = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.tuple(state, day).map(([to, today]) => ({ set: 'state' as const, state: to as 'open', today })),
  },
  day.map((today) => ({ set: 'skipped' as const, today })),
  fc.option(day).map((due) => ({ set: 'due' as const, due })),
  fc.option(fc.oneof(day, fc.constant('none'))).map((forDay) => ({ set: 'for' as const, day: forDay })),
  fc.constantFrom('high', 'low', null).map((priority) => ({ set: 'priority' as const, priority: priority as 'high' })),
  fc.tuple(rule, day, fc.boolean()).map(([repeat, today, isFromDone]) => ({
    set: 'repeat' as const,
    repeat,
    isFromDone,
    today,
  })),
);

const plain = (line: Line): Line => Object.fromEntries(Object.entries(line).filter(([, value]) => value !== null));

test('whatever is done with a task is taken back exactly, in turn, and done again', () => {
  fc.assert(
    fc.property(fc.array(change, { maxLength: 8 }), (changes) => {
      let line: Line = {};
      const states: { before: Line; after: Line; back: TaskChange; occurrence: string | null }[] = [];
      for (const each of changes) {
        let values;
        try {
          values = changedTask(line, each);
        } catch (error) {
          if (error instanceof TaskError) continue;
          throw error;
        }
        const after = { ...line, ...values };
        const { repeat, due } = taskOf(after);
        const occurrence = repeat === null ? null : (due?.day ?? null);
        states.push({ before: line, after, back: takenBack(line, values), occurrence });
        line = after;
      }
      for (const { before, after, back, occurrence } of states.reverse()) {
        const values = changedTask(line, back, occurrence);
        const again = takenBack(line, values);
        const earlier = { ...line, ...values };
        expect(plain(earlier)).toEqual(plain(before));
        expect(plain({ ...earlier, ...changedTask(earlier, again) })).toEqual(plain(after));
        line = earlier;
      }
    }),
  );
});

test('T4 what a line says of its repeat can be typed in again', () => {
  fc.assert(
    fc.property(rule, day, (text, start) => {
      const repeat = completeRule(text, start);
      const words = repeatWords({ repeat, isFromDone: false }, start);
      fc.pre(words !== 'by a rule of its own');
      expect([words, whenAtEnd(words, { today: start, weekBegins: 1, order: 'day first' })?.repeat]).toEqual([
        words,
        repeat,
      ]);
    }),
  );
});
