import { dayTitleWithYear, type CalendarDay } from '@glossarion/core/journal';
import { count } from '../../kit/count';

/** The address of a day; that of today follows the day. */
export const addressOfDay = (day: string, today: string): string => (day === today ? '/today' : `/day/${day}`);

/** A day of the calendar in words: how much was written on it, and what is due. */
export const nameOfDay = ({ day, wordCount, due }: CalendarDay): string =>
  [
    dayTitleWithYear(day),
    wordCount === 0 ? 'nothing written' : count(wordCount, 'word'),
    ...(due > 0 ? [`${due} due`] : []),
  ].join(', ');
