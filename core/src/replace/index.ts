export * from './matcher';
export * from './replaced';
export * from './types';
