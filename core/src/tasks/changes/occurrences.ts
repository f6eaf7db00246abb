import { RRule } from 'rrule';
import { addMonths, partsOf, weekdayOf, type DayDate } from '../../calendar';
import type { Occurrence } from '../changedTask';
import { partsOfRule, ruleText, WEEKDAYS, type Rule } from '../rule';

/** A repeat that falls on no day within so many months has come to its end. */
const HORIZON = { DAILY: 12 * 12, WEEKLY: 12 * 20, MONTHLY: 12 * 100, YEARLY: 12 * 1000 };

const toDate = (day: DayDate): Date => new Date(`${day}T00:00:00Z`);
const toDay = (date: Date): DayDate => date.toISOString().slice(0, 10);

/** The last day of a month that is no later: a task of the 31st falls on a short month's last day. */
function onMonthDay(date: number): Rule {
  if (date <= 28 || date === 31) return { BYMONTHDAY: date === 31 ? '-1' : String(date) };
  const days = Array.from({ length: date - 27 }, (_each, index) => 28 + index);
  return { BYMONTHDAY: days.join(','), BYSETPOS: '-1' };
}

/**
 * A rule that says by itself which days it falls on: what it leaves open is said by a day that it falls on, and a day that
 * some months lack falls on their last.
 */
export function completeRule(text: string, day: DayDate): string {
  const rule = partsOfRule(text);
  const [, month, date] = partsOf(day);
  const { FREQ, BYMONTH, BYMONTHDAY, BYDAY, BYSETPOS, BYYEARDAY, BYWEEKNO } = rule;
  const isOpen = !BYDAY && !BYMONTHDAY && !BYYEARDAY && !BYWEEKNO;
  const alone = /^(?:29|30|31)$/u.test(BYMONTHDAY ?? '') && !BYDAY && !BYSETPOS ? Number(BYMONTHDAY) : null;
  if (FREQ === 'WEEKLY' && !BYDAY) return ruleText({ ...rule, BYDAY: WEEKDAYS[weekdayOf(day)]! });
  if (FREQ === 'MONTHLY') {
    if (isOpen) return ruleText({ ...rule, ...onMonthDay(date) });
    return ruleText(alone === null ? rule : { ...rule, ...onMonthDay(alone) });
  }
  if (FREQ !== 'YEARLY' || !(isOpen || alone !== null) || BYMONTH?.includes(',')) return ruleText(rule);
  const inMonth = Number(BYMONTH ?? month);
  const onDate = alone ?? date;
  const isLeapDay = inMonth === 2 && onDate > 28;
  return ruleText({ ...rule, BYMONTH: String(inMonth), BYMONTHDAY: isLeapDay ? '-1' : String(onDate) });
}

/** The rule as rrule knows it, from a day on; how often it falls is counted by the caller. */
function ruleFrom(text: string, from: DayDate): RRule {
  const { COUNT: _count, UNTIL, ...rule } = partsOfRule(text);
  const horizon = addMonths(from, HORIZON[rule.FREQ as keyof typeof HORIZON] ?? 0);
  const end = UNTIL ? `${UNTIL.slice(0, 4)}-${UNTIL.slice(4, 6)}-${UNTIL.slice(6, 8)}` : horizon;
  return new RRule({
    ...RRule.parseString(ruleText(rule)),
    dtstart: toDate(from),
    until: toDate(end < horizon ? end : horizon),
  });
}

/**
 * The first day after another on which a repeat falls that was due on a day; null when it has come to its end. The day
 * it was due counts as one of its times whether the rule falls on it or not.
 *
 * @throws Error when refusalOf refuses the rule
 */
export function nextAfter(text: string, due: DayDate, after: DayDate): Occurrence | null {
  // A rule from elsewhere may leave open which days it falls on.
  const complete = completeRule(text, due);
  const rule = ruleFrom(complete, due);
  const next = rule.after(toDate(after > due ? after : due));
  if (!next) return null;
  const { COUNT, ...rest } = partsOfRule(complete);
  if (COUNT === undefined) return { day: toDay(next), rule: complete };
  const passed = rule.between(toDate(due), next, true).filter((each) => each.getTime() > toDate(due).getTime()).length;
  const left = Number(COUNT) - passed;
  return left < 1 ? null : { day: toDay(next), rule: ruleText({ ...rest, COUNT: String(left) }) };
}

/** The first day on which a repeat falls, from a day on; null when it falls on none. */
export function firstFrom(text: string, from: DayDate): DayDate | null {
  const first = ruleFrom(completeRule(text, from), from).after(toDate(from), true);
  return first ? toDay(first) : null;
}

/** The day after it was done on which a repeat falls that is counted from then: the 31st goes on on a month's last day. */
export function nextFromDone(text: string, done: DayDate): Occurrence | null {
  const next = nextAfter(completeRule(text, done), done, done);
  if (!next) return null;
  const { COUNT } = partsOfRule(next.rule);
  return { day: next.day, rule: ruleText({ ...partsOfRule(text), COUNT: COUNT ?? null }) };
}
