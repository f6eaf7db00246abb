export * from './brought';
export * from './changedTask';
export * from './happenings';
export * from './list';
export * from './rule';
export * from './says';
export type * from './shown';
export * from './task';
export * from './taskChange';
