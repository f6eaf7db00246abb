export * from './blocks';
export * from './plan';
export * from './resolve';
export * from './types';
export * from './write';
