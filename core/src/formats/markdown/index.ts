export * from './blocks';
export * from './plan';
export * from './types';
