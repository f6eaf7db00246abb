export * from './dates';
export { dayInWords, type DateOrder, type Reading } from './inWords';
export { daysInWords, type OpenSpan } from './spans';
export { isCalendarDate } from './written';
