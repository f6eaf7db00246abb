export * from './lines';
export * from './placement';
export * from './types';
