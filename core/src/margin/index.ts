export * from './layout';
export * from './types';
