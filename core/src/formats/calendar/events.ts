import ICAL from 'ical.js';
import { addDays, daysBetween, type DayDate } from '../../calendar';
import { componentsIn } from './components';
import { momentIn, shownIn } from './zoned';

/** An event of a day, out of a calendar file. */
export interface CalendarEvent {
  /** The same whenever the file comes again. */
  uid: string;
  /** When it begins where the person is: `16:10`; null for one of the whole day, or that began before it. */
  time: string | null;
  title: string;
  /** Empty when it says none. */
  place: string;
}

/** Thrown for what can't be read as a calendar. The message is a sentence for people. */
export class CalendarError extends Error {
  override name = 'CalendarError';
}

/** A file with more characters is none that somebody means for one day. */
export const MAX_CALENDAR = 20_000_000;
/** All repeats of a file are followed through so many times: what falls on more is meant for no day. */
const MOST_TIMES = 40_000;

/**
 * The events of a day, in their order: those that begin on it or go on through it, repeats and what was changed of them
 * among them, those that were called off left out (RFC 5545).
 *
 * @param zone the IANA name of the zone in which the person is; times without a zone are as clocks show them there
 * @throws CalendarError when it is no calendar
 */
export function eventsOn(text: string, day: DayDate, zone: string): CalendarEvent[] {
  if (text.length > MAX_CALENDAR) throw new CalendarError('This calendar is too large to be read here.');
  const found: Found[] = [];
  const bound = { left: MOST_TIMES };
  for (const calendar of calendarsOf(text)) {
    for (const event of mastersOf(calendar)) {
      for (const occurrence of occurrencesAround(event, day, bound)) {
        const placed = placedOn(occurrence, day, zone);
        if (placed) found.push(placed);
      }
    }
  }
  found.sort((one, other) => (one.key < other.key ? -1 : Number(one.key > other.key)));
  const times = new Map<string, number>();
  return found.map(({ event }) => {
    const count = times.get(event.uid) ?? 0;
    times.set(event.uid, count + 1);
    // What comes more than once on a day has a line for each time.
    return count === 0 ? event : { ...event, uid: `${event.uid} ${count}` };
  });
}

interface Found {
  event: CalendarEvent;
  /** What they are ordered by: those of the whole day come first. */
  key: string;
}

function calendarsOf(text: string): ICAL.Component[] {
  const calendars = componentsIn(text, 'vcalendar');
  if (!calendars) throw new CalendarError('This is not a calendar file (.ics) that can be read. Nothing was written.');
  return calendars;
}

/** The events, each with what was changed of single times of it. */
function mastersOf(calendar: ICAL.Component): ICAL.Event[] {
  const components = calendar.getAllSubcomponents('vevent');
  const isChange = (each: ICAL.Component) => each.getFirstPropertyValue('recurrence-id') !== null;
  const uidOf = (each: ICAL.Component) => String(each.getFirstPropertyValue('uid') ?? '');
  const masters = components.filter((each) => !isChange(each));
  const changes = components.filter(isChange);
  const known = new Set(masters.map(uidOf));
  return [
    ...masters.map((each) => {
      const exceptions = changes.filter((change) => uidOf(change) === uidOf(each));
      return new ICAL.Event(each, { exceptions, strictExceptions: true });
    }),
    // A time of something whose other times are in another file.
    ...changes.filter((each) => !known.has(uidOf(each))).map((each) => new ICAL.Event(each)),
  ].filter((each) => each.startDate);
}

interface Occurrence {
  event: ICAL.Event;
  start: ICAL.Time;
  end: ICAL.Time;
  /** The zone that the file names for it, where it does not describe that zone itself. */
  namedZone: string | null;
}

const dayOf = (time: ICAL.Time): string => time.toString().slice(0, 10);

/** A repeat is followed from so many days before the day on that is asked for: some events go on for weeks. */
const BEFORE = 60;

/**
 * Where a repeat may be followed from, which began long before: days and weeks later by whole steps of its rule, so that
 * it falls on the same days. One that ends after a number of times has to be counted from its beginning.
 */
function laterStart({ component, startDate }: ICAL.Event, day: DayDate): ICAL.Time {
  const [rule, ...others] = component
    .getAllProperties('rrule')
    .map((each) => each.getFirstValue() as unknown as ICAL.Recur);
  const unit = { DAILY: 1, WEEKLY: 7 }[rule?.freq as string];
  if (!rule || !unit || rule.count || others.length > 0 || component.getFirstProperty('rdate')) return startDate;
  const step = unit * (rule.interval ?? 1);
  const days = daysBetween(dayOf(startDate), day) - BEFORE;
  const start = startDate.clone();
  if (days > step) start.adjust(Math.floor(days / step) * step, 0, 0, 0);
  return start;
}

function* occurrencesAround(event: ICAL.Event, day: DayDate, bound: { left: number }): Generator<Occurrence> {
  const until = addDays(day, 2);
  const occurrence = (of: ICAL.Event, start: ICAL.Time, end: ICAL.Time | null): Occurrence => ({
    event: of,
    start,
    end: end ?? start,
    namedZone: (of.component.getFirstProperty('dtstart')?.getParameter('tzid') as string | undefined) ?? null,
  });
  if (!event.isRecurring() || event.isRecurrenceException()) {
    yield occurrence(event, event.startDate, event.endDate);
    return;
  }
  const times = event.iterator(laterStart(event, day));
  for (; bound.left > 0; bound.left -= 1) {
    const next = times.next() as ICAL.Time | null | undefined;
    if (!next || dayOf(next) > until) return;
    const { item, startDate, endDate } = event.getOccurrenceDetails(next);
    yield occurrence(item, startDate, endDate);
  }
  throw new CalendarError('What repeats in this calendar is too much to be read here. Nothing was written.');
}

/** What clocks show where the person is: a day, or a day with its time. */
function shownHere(time: ICAL.Time, namedZone: string | null, zone: string): string {
  if (time.isDate) return dayOf(time);
  const shown = time.toString().slice(0, 16);
  const isFloating = time.zone === null || time.zone === ICAL.Timezone.localTimezone;
  const moment = isFloating ? (namedZone === null ? null : momentIn(namedZone, shown)) : time.toUnixTime() * 1000;
  return (moment === null ? null : shownIn(zone, moment)) ?? shown;
}

function placedOn({ event, start, end, namedZone }: Occurrence, day: DayDate, zone: string): Found | null {
  const status = String(event.component.getFirstPropertyValue('status') ?? '').toUpperCase();
  if (status === 'CANCELLED') return null;
  const [from, to] = [shownHere(start, namedZone, zone), shownHere(end, namedZone, zone)];
  const begins = from.slice(0, 10);
  // An end is the first moment after; something without an end is over as it begins.
  const isOver = start.isDate ? to <= day : to <= `${day}T00:00`;
  if (begins > day || (begins < day && isOver)) return null;
  const time = start.isDate || begins < day ? null : from.slice(11);
  const words = (value: unknown) =>
    String(value ?? '')
      .replace(/\s+/gu, ' ')
      .trim();
  const uid = words(event.uid) || words(event.summary) || from;
  const title = words(event.summary) || 'An event without a name';
  return { event: { uid, time, title, place: words(event.location) }, key: `${time ?? ''} ${title}` };
}
