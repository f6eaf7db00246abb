export * from './dates';
export { dayInWords, type DateOrder, type Reading } from './inWords';
export { isCalendarDate } from './written';
