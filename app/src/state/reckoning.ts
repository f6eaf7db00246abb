/**
 * What reads days in words, computes repeats and reads fields, fetched as one: it shares libraries that no first screen
 * needs, and what several parts share is fetched with the first.
 */
export { dateAtEnd, dayTyped, isCalendarDate } from '@glossarion/core/dates';
export * as kinds from '@glossarion/core/kinds';
export { meetingFrom } from '@glossarion/core/meetings';
export { whenAtEnd, whenTyped } from '@glossarion/core/tasks/phrases';
export { repeatDays } from '@glossarion/core/tasks/changes';
