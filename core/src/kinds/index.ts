export * from './field';
export * from './holding';
export * from './join';
export type { Kind } from './kind';
export * from './loss';
export * from './shipped';
export * from './tree';
export * from './types';
