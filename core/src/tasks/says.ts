import type { DayDate } from '../calendar';
import { dayInText, dayShort, monthName, weekdayName } from '../journal/day';
import { partsOfRule, WEEKDAYS } from './rule';
import type { Moment, Task } from './task';

/** How a time of day is shown: `09:30` as the person's own clock says it. */
export type Clock = (time: string) => string;

/** "9:30" on a clock of 24 hours, "9:30 am" on one of twelve. */
export const clockOf =
  (isTwelve: boolean): Clock =>
  (time) => {
    const [hours, minutes] = time.split(':') as [string, string];
    if (!isTwelve) return `${Number(hours)}:${minutes}`;
    const hour = Number(hours) % 12 || 12;
    return `${hour}:${minutes} ${Number(hours) < 12 ? 'am' : 'pm'}`;
  };

/** A day it is due, in few words: "Tue 1 Dec", "Tue 1 Dec 9:30". */
export const dueWords = ({ day, time }: Moment, today: DayDate, clock: Clock): string =>
  time === null ? dayShort(day, today) : `${dayShort(day, today)} ${clock(time)}`;

const ordinal = (date: number): string => {
  const isTeen = date % 100 >= 11 && date % 100 <= 13;
  return `${date}${isTeen ? 'th' : (['th', 'st', 'nd', 'rd'][date % 10] ?? 'th')}`;
};

const NTH: Readonly<Record<string, string>> = {
  '1': 'first',
  '2': 'second',
  '3': 'third',
  '4': 'fourth',
  '5': 'fifth',
  '-1': 'last',
};
const UNITS: Readonly<Record<string, string>> = { DAILY: 'day', WEEKLY: 'week', MONTHLY: 'month', YEARLY: 'year' };

const listed = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

const weekdays = (BYDAY: string): string[] =>
  BYDAY.split(',').map((code) => weekdayName(WEEKDAYS.indexOf(code.slice(-2) as 'SU')));

const dayOf = (UNTIL: string): DayDate => `${UNTIL.slice(0, 4)}-${UNTIL.slice(4, 6)}-${UNTIL.slice(6, 8)}`;

/** Days of the month, of which a month has one: the 31st falls on a short month's last day. */
const dateOf = ({ BYMONTHDAY = '', BYSETPOS }: Readonly<Record<string, string>>): number | null =>
  BYSETPOS === '-1'
    ? Math.max(...BYMONTHDAY.split(',').map(Number))
    : /^\d+$/u.test(BYMONTHDAY)
      ? Number(BYMONTHDAY)
      : null;

/** The days on which a rule falls, in the words that it can be typed in again; null when none are known. */
function everyWords(rule: Readonly<Record<string, string>>): string | null {
  const { FREQ = '', INTERVAL = '1', BYMONTH, BYMONTHDAY, BYDAY, BYSETPOS } = rule;
  const count = Number(INTERVAL);
  const every = count === 1 ? `every ${UNITS[FREQ]}` : `every ${count} ${UNITS[FREQ]}s`;
  if (rule.BYYEARDAY || rule.BYWEEKNO || (BYMONTH && FREQ !== 'YEARLY')) return null;
  if (FREQ === 'DAILY') return BYMONTHDAY || BYDAY ? null : every;
  if (FREQ === 'WEEKLY') {
    if (BYMONTHDAY || BYSETPOS) return null;
    if (!BYDAY) return every;
    if (count > 1) return `${every} on ${listed(weekdays(BYDAY))}`;
    if (BYDAY === 'MO,TU,WE,TH,FR') return 'every weekday';
    return BYDAY === 'SA,SU' ? 'every weekend' : `every ${listed(weekdays(BYDAY))}`;
  }
  if (FREQ === 'MONTHLY') {
    const nth = /^(-?\d)([A-Z]{2})$/u.exec(BYDAY ?? '');
    if (nth && !BYMONTHDAY && !BYSETPOS && NTH[nth[1]!]) {
      const which = `${NTH[nth[1]!]} ${weekdays(nth[2]!)[0]}`;
      return count === 1 ? `every ${which} of the month` : `${every} on the ${which}`;
    }
    if (BYDAY) return null;
    if (BYMONTHDAY === '-1' && !BYSETPOS) return `${every} on the last day`;
    const date = dateOf(rule);
    if (!BYMONTHDAY) return every;
    return date === null ? null : `${every} on the ${ordinal(date)}`;
  }
  if (!BYMONTH && !BYMONTHDAY && !BYDAY) return every;
  const date = dateOf(rule);
  if (BYMONTH === '2' && BYMONTHDAY === '-1' && !BYSETPOS)
    return count === 1 ? 'every 29 February' : `${every} on 29 February`;
  if (BYDAY || !date || !BYMONTH || BYMONTH.includes(',')) return null;
  const on = `${date} ${monthName(Number(BYMONTH))}`;
  return count === 1 ? `every ${on}` : `${every} on ${on}`;
}

/** A repeat in few words: "every Monday", "every 2 weeks on Friday, until 1 March". */
export function repeatWords({ repeat, isFromDone }: Pick<Task, 'repeat' | 'isFromDone'>, today: DayDate): string {
  if (repeat === null) return '';
  const rule = partsOfRule(repeat);
  const words = everyWords(rule) ?? 'by a rule of its own';
  const done = isFromDone ? `${words} after done` : words;
  if (rule.COUNT) return `${done}, ${rule.COUNT} times`;
  return rule.UNTIL ? `${done} until ${dayInText(dayOf(rule.UNTIL), today)}` : done;
}

/** What a to-do line says at its end of when it is due: "Tue 1 Dec", "every Monday"; nothing for none. */
export function whenWords(task: Task, today: DayDate, clock: Clock): string {
  const due = task.due ? dueWords(task.due, today, clock) : '';
  return [due, repeatWords(task, today)].filter((words) => words !== '').join(', ');
}

/** How often something was done: "once", "twice", "3 times". */
export const timesWords = (count: number): string => (count === 1 ? 'once' : count === 2 ? 'twice' : `${count} times`);

/** When a task is due, seen from today: "due today", "was due Tue 24 Nov", "due Fri 27 Nov 9:30"; empty for no day. */
export function dueFromToday(due: Moment | null, today: DayDate, clock: Clock): string {
  if (due === null) return '';
  if (due.day === today) return due.time === null ? 'due today' : `due today ${clock(due.time)}`;
  return `${due.day < today ? 'was due' : 'due'} ${dueWords(due, today, clock)}`;
}
