import ICAL from 'ical.js';
import { block, newId, type NodeJson } from '../../document';
import { momentText, type Moment } from '../../tasks/task';
import type { ReadFile } from '../markdown/readFile';
import { componentsIn } from '../calendar/components';
import { ENDINGS } from './endings';
import { folderOf, lineOf, pageRead, Refusal, type Reader } from './reader';

/** RFC 5545, 3.8.1.11, as tasks have it here. */
const STATES: Record<string, string> = { 'IN-PROCESS': 'begun', COMPLETED: 'done', CANCELLED: 'dropped' };

/** Of a calendar events become lines of their days, tasks to-dos of a page that is called like it. */
export const calendar: Reader = {
  endings: ENDINGS.calendar,
  isCollection: true,
  read({ path, text }) {
    const remarks = new Set<string>();
    const days = new Map<string, EventSaid[]>();
    const todos: NodeJson[] = [];
    let name = '';
    for (const each of calendarsIn(text)) {
      name ||= wordsOf(each.getFirstPropertyValue('x-wr-calname'));
      for (const event of each.getAllSubcomponents('vevent')) {
        const line = eventLine(event, (what) => remarks.add(what));
        if (line) days.set(line.day, [...(days.get(line.day) ?? []), line]);
      }
      // Of a task of this product a description is where it stood.
      const isOwn = wordsOf(each.getFirstPropertyValue('prodid')).includes('//Glossarion//');
      for (const todo of each.getAllSubcomponents('vtodo')) {
        todos.push(
          todoOf(todo, (what) => remarks.add(what)),
          ...(isOwn ? [] : described(todo)),
        );
      }
    }
    const read = [...days].map(([day, lines]): ReadFile => {
      const sorted = lines.sort((one, other) => (one.time < other.time ? -1 : Number(one.time > other.time)));
      return pageRead(
        `Journal/${day}.md`,
        {},
        sorted.flatMap(({ words, more }) => [lineOf(words), ...more]),
      );
    });
    const tasks = todos.length > 0 ? [pageRead(`${folderOf(path)}.md`, { ...(name && { title: name }) }, todos)] : [];
    const all = [...read, ...tasks];
    if (all.length === 0) throw new Refusal('It is a calendar with nothing in it, and was left out.');
    all[0]!.remarks.push(...remarks);
    return all;
  },
};

interface EventSaid {
  day: string;
  /** HH:MM, or nothing. */
  time: string;
  words: string;
  /** What else is said of it, beneath. */
  more: NodeJson[];
}

/** What is said of an event or a task at length, as lines beneath it. */
const described = (said: ICAL.Component): NodeJson[] =>
  String(said.getFirstPropertyValue('description') ?? '')
    .split(/[\r\n]+/u)
    .map(wordsOf)
    .filter(Boolean)
    .map((words) => lineOf(words, 1));

function calendarsIn(text: string): ICAL.Component[] {
  const components = componentsIn(text, 'vcalendar');
  if (!components) throw new Refusal('It is no calendar (iCalendar) that can be read, and was left out.');
  return components;
}

const wordsOf = (value: unknown): string =>
  String(value ?? '')
    .replace(/\s+/gu, ' ')
    .trim();

/** A moment as clocks show it where it was written. */
function momentOf(time: ICAL.Time): Moment {
  const [day, clock = ''] = time.toString().split('T');
  return { day: day!, time: time.isDate ? null : clock.slice(0, 5) };
}

function eventLine(event: ICAL.Component, remark: (what: string) => void): EventSaid | null {
  const start = event.getFirstPropertyValue('dtstart');
  if (!(start instanceof ICAL.Time)) return null;
  const { day, time } = momentOf(start);
  if (event.getFirstProperty('rrule')) remark('Events that repeat; the first of each came in.');
  const isUtc = start.zone === ICAL.Timezone.utcTimezone && !start.isDate;
  const [title, place] = ['summary', 'location'].map((each) => wordsOf(event.getFirstPropertyValue(each)));
  const said = [title || 'An event without a name', place].filter(Boolean).join(', ');
  const words = [time ?? '', isUtc ? 'UTC' : '', said].filter(Boolean).join(' ');
  return { day, time: time ?? '', words, more: described(event) };
}

function todoOf(todo: ICAL.Component, remark: (what: string) => void): NodeJson {
  const due = todo.getFirstPropertyValue('due') ?? todo.getFirstPropertyValue('dtstart');
  const rule = todo.getFirstPropertyValue('rrule');
  const repeat = rule ? String(rule) : null;
  const isSimple =
    repeat !== null &&
    due instanceof ICAL.Time &&
    /^FREQ=(?:DAILY|WEEKLY|MONTHLY|YEARLY)(?:;[A-Z]+=[A-Z\d,+-]+)*$/u.test(repeat);
  if (repeat !== null && !isSimple) remark('A repeat that is not understood; the task came in without it.');
  const priority = Number(todo.getFirstPropertyValue('priority') ?? 0);
  return block('todo', wordsOf(todo.getFirstPropertyValue('summary')) || 'A to-do', {
    id: newId(),
    depth: 0,
    state: STATES[wordsOf(todo.getFirstPropertyValue('status')).toUpperCase()] ?? 'open',
    ...(due instanceof ICAL.Time && { due: momentText(momentOf(due)) }),
    ...(isSimple && repeat.length <= 200 && { repeat }),
    // RFC 5545, 3.8.1.9: 1 is the highest, 9 the lowest, 0 none.
    ...(priority > 0 && { priority: priority < 5 ? 'high' : priority === 5 ? 'middle' : 'low' }),
  });
}
