/** What can be told of a date as it is written, without reading which day it is. */

/** Figures alone are a date only in these forms: “4.12” is a height far more often. */
export const FIGURES = /^(?:\d{4}-\d{1,2}-\d{1,2}|\d{1,2}[./]\d{1,2}[./]\d{4})$/u;
export const MONTH_NAME = /\b(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)/iu;

/** Whether a date says by itself which day of the calendar it is: “tomorrow” does not. */
export const isCalendarDate = (written: string): boolean =>
  FIGURES.test(written.trim()) || (MONTH_NAME.test(written) && /\d/u.test(written));
