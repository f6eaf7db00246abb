export * from './placement';
export * from './types';
export * from './vectors';
