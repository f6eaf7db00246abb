import type { NodeJson } from '../document/types';
import type { Target } from '../links/target';
import type { DayDate } from '../calendar';

/** One day of the calendar: how much was written on it, and how many open tasks are due on it or for it. */
export interface CalendarDay {
  day: DayDate;
  wordCount: number;
  due: number;
}

/** The same date in an earlier year. */
export interface EarlierYear {
  day: DayDate;
  firstWords: string;
  wordCount: number;
}

/** What else happened on a day, beside what stands on its page. */
export interface AroundDay {
  /** Latest first. */
  years: EarlierYear[];
  begun: Target[];
  changed: Target[];
  /** Tasks that were done on it, with the page each stands on. */
  done: { blockId: string; page: Target; node: NodeJson }[];
  attached: { id: string; name: string; media: string }[];
  /** What the shown links are called. */
  targets: Target[];
}
