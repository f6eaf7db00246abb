import type { BodyJson } from '../document/types';
import type { DayDate } from '../calendar';
import type { Period } from './period';

/** A day as the journal shows it. */
export interface DayPage {
  day: DayDate;
  pageId: string;
  title: string;
  body: BodyJson;
  wordCount: number;
  /** How many lines elsewhere point at this day. */
  pointing: number;
  /** Whether the day has a page that is stored; else it is shown from its template. */
  isStored: boolean;
}

/** The page of a week or a month, made or not. */
export interface PeriodPage {
  period: Period;
  pageId: string;
  title: string;
  /** Empty while nothing is written about it. */
  firstWords: string;
  wordCount: number;
}

/** Which template a day begins with: one for every day, and others for some days of the week (0 is Sunday). */
export interface DayTemplates {
  every: string | null;
  weekdays: Partial<Record<string, string | null>>;
}
