import fc from 'fast-check';
import ICAL from 'ical.js';
import { addDays } from '../../calendar';
import { taskOf, type Task } from '../../tasks/task';
import { CalendarError, eventsOn, uidOfTask, writeTasks, type CalendarTask } from '.';
import { momentIn, shownIn } from './zoned';

const file = (...events: string[][]): string =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    ...events.flatMap((lines) => ['BEGIN:VEVENT', ...lines, 'END:VEVENT']),
    'END:VCALENDAR',
  ].join('\r\n');
const on = (text: string, day: string, zone = 'Europe/London') =>
  eventsOn(text, day, zone).map(({ time, title, place }) => [time, title, place].filter(Boolean).join(' '));

test('events of a day come in the order of their times, those of the whole day first', () => {
  const text = file(
    ['UID:b', 'DTSTART:20261128T161000Z', 'DTEND:20261128T170000Z', 'SUMMARY:Call with Callum', 'LOCATION:The yard'],
    ['UID:a', 'DTSTART:20261128T090000Z', 'SUMMARY:Look at the\\, gate'],
    ['UID:c', 'DTSTART;VALUE=DATE:20261127', 'DTEND;VALUE=DATE:20261129', 'SUMMARY:Open days'],
    ['UID:d', 'DTSTART:20261129T090000Z', 'SUMMARY:Another day'],
    ['UID:e', 'DTSTART:20261128T100000Z', 'STATUS:CANCELLED', 'SUMMARY:Called off'],
  );
  expect(on(text, '2026-11-28')).toEqual(['Open days', '09:00 Look at the, gate', '16:10 Call with Callum The yard']);
  expect(on(text, '2026-11-27')).toEqual(['Open days']);
  expect(on(text, '2026-11-30')).toEqual([]);
  // In the far east it is tomorrow by then.
  expect(on(text, '2026-11-29', 'Pacific/Auckland')).toEqual(['05:10 Call with Callum The yard', '22:00 Another day']);
});

test('repeats fall on their days, with what was changed, moved or left out of them', () => {
  const text = file(
    [
      'UID:w',
      'DTSTART;TZID=Europe/London:20260302T093000',
      'RRULE:FREQ=WEEKLY;BYDAY=MO',
      'EXDATE;TZID=Europe/London:20260316T093000',
      'SUMMARY:Trustees',
    ],
    [
      'UID:w',
      'RECURRENCE-ID;TZID=Europe/London:20260323T093000',
      'DTSTART;TZID=Europe/London:20260324T110000',
      'SUMMARY:Trustees, a day later',
    ],
  );
  expect(on(text, '2026-03-09')).toEqual(['09:30 Trustees']);
  expect(on(text, '2026-03-16')).toEqual([]);
  expect(on(text, '2026-03-23')).toEqual([]);
  expect(on(text, '2026-03-24')).toEqual(['11:00 Trustees, a day later']);
  // Clocks change on the 29th: it stays at half past nine there, and comes an hour earlier by the sun.
  expect(on(text, '2026-03-30')).toEqual(['09:30 Trustees']);
  expect(on(text, '2026-03-23', 'America/New_York')).toEqual([]);
  expect(on(text, '2026-03-09', 'America/New_York')).toEqual(['05:30 Trustees']);
  expect(on(text, '2030-04-01')).toEqual(['09:30 Trustees']);
});

test('zones that the file describes itself, and times in none', () => {
  const zone = [
    'BEGIN:VTIMEZONE',
    'TZID:Harbour',
    'BEGIN:STANDARD',
    'DTSTART:19700101T000000',
    'TZOFFSETFROM:+0300',
    'TZOFFSETTO:+0300',
    'END:STANDARD',
    'END:VTIMEZONE',
  ];
  const text = file(['UID:z', 'DTSTART;TZID=Harbour:20261128T010000', 'SUMMARY:Tide']).replace(
    'VERSION:2.0',
    ['VERSION:2.0', ...zone].join('\r\n'),
  );
  expect(on(text, '2026-11-27')).toEqual(['22:00 Tide']);
  expect(on(file(['UID:f', 'DTSTART:20261128T010000', 'SUMMARY:Anywhere']), '2026-11-28', 'Asia/Tokyo')).toEqual([
    '01:00 Anywhere',
  ]);
});

test('the same event has the same name whenever it comes; two times of a day have two', () => {
  const text = file(['UID:h', 'DTSTART:20261128T080000', 'RRULE:FREQ=HOURLY;COUNT=3', 'SUMMARY:Read the gauge']);
  const first = eventsOn(text, '2026-11-28', 'UTC');
  expect(first.map(({ uid }) => uid)).toEqual(['h', 'h 1', 'h 2']);
  expect(eventsOn(text, '2026-11-28', 'UTC')).toEqual(first);
});

test('what repeats for decades is followed from near the day, on the same days as from its beginning', () => {
  const rules = [
    'FREQ=DAILY',
    'FREQ=DAILY;INTERVAL=3',
    'FREQ=WEEKLY;BYDAY=MO,TH',
    'FREQ=WEEKLY;INTERVAL=2;BYDAY=TU;WKST=SU',
  ];
  const days = fc.integer({ min: 0, max: 1500 }).map((by) => addDays('2002-01-03', by));
  fc.assert(
    fc.property(fc.constantFrom(...rules), days, (rule, day) => {
      // Counted, it has to be followed from its beginning.
      const [open, counted] = [rule, `${rule};COUNT=90000`].map((each) =>
        on(file(['UID:r', 'DTSTART:20020103T083000', `RRULE:${each}`, 'SUMMARY:Gauge']), day),
      );
      expect(open).toEqual(counted);
    }),
    { numRuns: 25 },
  );
  const seconds = file(['UID:s', 'DTSTART:20200101T000000', 'RRULE:FREQ=SECONDLY', 'SUMMARY:Tick']);
  expect(() => on(seconds, '2026-11-28')).toThrow(CalendarError);
});

test('what is no calendar is refused with a sentence', () => {
  for (const text of ['', 'Dear all,', 'BEGIN:VCARD\r\nFN:Ines\r\nEND:VCARD', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT']) {
    expect(() => eventsOn(text, '2026-11-28', 'UTC')).toThrow(CalendarError);
  }
  expect(on(file(['UID:n', 'DTSTART:20261128T090000']), '2026-11-28', 'UTC')).toEqual([
    '09:00 An event without a name',
  ]);
});

test('moments and what clocks show agree, in zones whose clocks change', () => {
  const zones = fc.constantFrom(
    'Europe/London',
    'America/New_York',
    'Pacific/Auckland',
    'Australia/Lord_Howe',
    'Asia/Kathmandu',
    'UTC',
  );
  fc.assert(
    fc.property(zones, fc.integer({ min: 0, max: 60_000_000 }), (zone, minutes) => {
      const moment = minutes * 60_000;
      const again = momentIn(zone, shownIn(zone, moment)!)!;
      // Where clocks are put back they show the same twice; it is the first of the two.
      expect(again === moment || (again < moment && moment - again <= 3_600_000)).toBe(true);
      expect(shownIn(zone, again)).toBe(shownIn(zone, moment));
    }),
  );
  expect(shownIn('Europe/London', momentIn('Europe/London', '2026-03-29T01:30')!)).toBe('2026-03-29T02:30');
  expect(momentIn('No/Where', '2026-03-29T01:30')).toBeNull();
});

const REPEATS = [
  'FREQ=WEEKLY;BYDAY=MO',
  'FREQ=MONTHLY;BYMONTHDAY=28,29,30,31;BYSETPOS=-1',
  'FREQ=DAILY;INTERVAL=3;COUNT=9',
  'FREQ=YEARLY;UNTIL=20301231',
];

const arbitraryTask = fc.record({
  id: fc.uuid(),
  words: fc.string({ minLength: 1, unit: 'grapheme' }).map((words) => words.replace(/\p{Cc}/gu, '').trim() || 'x'),
  where: fc.constantFrom('', 'Mill / Gate; 2, “left”'),
  tags: fc.subarray(['ironwork', 'boats, small', 'water/gate']),
  state: fc.constantFrom('open', 'begun', 'done', 'dropped'),
  priority: fc.constantFrom(null, 'low', 'middle', 'high'),
  due: fc.option(fc.tuple(fc.integer({ min: 0, max: 9000 }), fc.constantFrom('', 'T09:30', 'T23:59'))),
  repeat: fc.option(fc.constantFrom(...REPEATS)),
  counted: fc.constantFrom(null, 'done'),
});

test('tasks read back equal by ical.js', () => {
  fc.assert(
    fc.property(fc.array(arbitraryTask, { maxLength: 5 }), (made) => {
      const tasks = made.map(({ due, ...each }): CalendarTask => {
        const task = taskOf({ ...each, due: due ? `${addDays('2015-01-01', due[0])}${due[1]}` : null });
        const { id, words, where, tags } = each;
        return {
          id,
          words,
          where,
          tags,
          task,
          address: `https://notes.example/b/${id}`,
          changedAt: '2026-11-28T08:00:00.000Z',
        };
      });
      const text = writeTasks(tasks, '2026-11-28T09:00:00.000Z');
      expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 77)).toBe(true);
      const read = new ICAL.Component(ICAL.parse(text) as never).getAllSubcomponents('vtodo');
      const out = tasks.filter(({ task }) => task.due && (task.state === 'open' || task.state === 'begun'));
      expect(read.map((todo) => seen(todo))).toEqual(out.map((each) => expected(each)));
    }),
  );
});

const value = (todo: ICAL.Component, name: string) =>
  todo.getFirstPropertyValue(name) as { toString: () => string } | null;
function seen(todo: ICAL.Component) {
  return {
    uid: String(value(todo, 'uid')),
    words: String(value(todo, 'summary')),
    where: value(todo, 'description')?.toString() ?? '',
    address: String(value(todo, 'url')),
    state: String(value(todo, 'status')),
    priority: value(todo, 'priority') as unknown,
    due: String(value(todo, 'due')),
    start: value(todo, 'dtstart')?.toString() ?? null,
    repeat: (value(todo, 'rrule') as ICAL.Recur | null)?.toString() ?? null,
    tags: todo.getFirstProperty('categories')?.getValues() ?? [],
  };
}

const dueText = ({ due }: Task) => (due!.time === null ? due!.day : `${due!.day}T${due!.time}:00`);
// The end of a repeat has a time of day when the task has.
const partsOf = (rule: string, isTimed: boolean) =>
  ICAL.Recur.fromString(isTimed ? rule.replace(/UNTIL=\d{8}/u, '$&T235959') : rule).toString();
function expected({ id, words, where, address, tags, task }: CalendarTask) {
  const repeats = task.repeat !== null && !task.isFromDone;
  return {
    uid: uidOfTask(id),
    words,
    where,
    address,
    state: { open: 'NEEDS-ACTION', begun: 'IN-PROCESS', done: '', dropped: '' }[task.state],
    priority: task.priority ? { high: 1, middle: 5, low: 9 }[task.priority] : null,
    due: dueText(task),
    start: repeats ? dueText(task) : null,
    repeat: repeats ? partsOf(task.repeat!, task.due!.time !== null) : null,
    tags: [...tags],
  };
}
