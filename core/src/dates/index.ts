export * from './dates';
export { isCalendarDate } from './written';
