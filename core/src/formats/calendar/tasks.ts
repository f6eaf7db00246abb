import ICAL from 'ical.js';
import type { Priority, TaskState } from '../../document/types';
import { isOpen, type Moment, type Task } from '../../tasks/task';

/** A task as it goes out to calendar programs. */
export interface CalendarTask {
  /** The id of its line. */
  id: string;
  words: string;
  /** Where it stands, in words. */
  where: string;
  /** The address that opens its line. */
  address: string;
  tags: readonly string[];
  task: Task;
  /** When its page was changed last: ISO 8601, in UTC. */
  changedAt: string;
}

/** The same for a task for ever (RFC 5545, 3.8.4.7), so that a program that has it renews it. */
export const uidOfTask = (id: string): string => `${id}@glossarion`;

/** RFC 5545, 3.8.1.9: 1 is the highest, 9 the lowest. */
const PRIORITIES: Record<Priority, number> = { high: 1, middle: 5, low: 9 };
/** RFC 5545, 3.8.1.11. */
const STATES: Record<TaskState, string> = {
  open: 'NEEDS-ACTION',
  begun: 'IN-PROCESS',
  done: 'COMPLETED',
  dropped: 'CANCELLED',
};

/**
 * Open tasks that are due on a day, as an iCalendar file (RFC 5545). Times are as clocks show them, in no zone: a task
 * that is due at 9:30 is so wherever the person is.
 *
 * @param madeAt the moment it is made: ISO 8601, in UTC
 */
export function writeTasks(tasks: readonly CalendarTask[], madeAt: string): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.updatePropertyWithValue('version', '2.0');
  calendar.updatePropertyWithValue('prodid', '-//Glossarion//Tasks//EN');
  calendar.updatePropertyWithValue('x-wr-calname', 'Glossarion tasks');
  for (const each of tasks) if (each.task.due && isOpen(each.task)) calendar.addSubcomponent(todoOf(each, madeAt));
  return `${calendar.toString()}\r\n`;
}

const stamp = (moment: string): ICAL.Time => ICAL.Time.fromJSDate(new Date(Date.parse(moment)), true);

const timeOf = ({ day, time }: Moment): ICAL.Time =>
  time === null ? ICAL.Time.fromDateString(day) : ICAL.Time.fromDateTimeString(`${day}T${time}:00`);

/** 3.3.10: where the beginning has a time of day, so has the end. */
function ruleOf(repeat: string, { time }: Moment): ICAL.Recur {
  const rule = ICAL.Recur.fromString(repeat);
  if (rule.until && time !== null) rule.until = ICAL.Time.fromDateTimeString(`${dayOf(rule.until)}T23:59:59`);
  return rule;
}

const dayOf = (time: ICAL.Time): string => time.toString().slice(0, 10);

function todoOf({ id, words, where, address, tags, task, changedAt }: CalendarTask, madeAt: string): ICAL.Component {
  const todo = new ICAL.Component('vtodo');
  const set = (name: string, value: string | number | ICAL.Time | ICAL.Recur) =>
    void todo.addPropertyWithValue(name, value as never);
  set('uid', uidOfTask(id));
  set('dtstamp', stamp(madeAt));
  set('last-modified', stamp(changedAt));
  set('summary', words);
  if (where) set('description', where);
  set('url', address);
  set('status', STATES[task.state]);
  if (task.priority) set('priority', PRIORITIES[task.priority]);
  const due = timeOf(task.due!);
  // A repeat is counted from the beginning (3.8.5.3), which may be the moment it is due (3.8.2.3).
  // One that is counted from the day it was done has no rule that the format could say.
  if (task.repeat && !task.isFromDone) {
    set('dtstart', due.clone());
    set('rrule', ruleOf(task.repeat, task.due!));
  }
  set('due', due);
  if (tags.length > 0) {
    const categories = new ICAL.Property('categories', todo);
    categories.setValues([...tags] as never);
    todo.addProperty(categories);
  }
  return todo;
}
