/** What a viewer may see and change. Elsewhere no query names whose a row is. */

export * from './calendarAddresses';
export * from './connection';
export * from './guard';
export { ENTRY_COLUMNS } from './guard.queries';
export * from './kinds';
export * from './making';
export * from './owned';
export * from './tags';
export * from './viewer';
export { DUE, NAMES_DUE } from './background.queries';
export { onlyVisible } from './visible';
