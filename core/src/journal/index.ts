export * from '../calendar';
export type * from './around';
export * from './beginning';
export * from './day';
export * from './ink';
export * from './page';
export * from './period';
export * from './template';
