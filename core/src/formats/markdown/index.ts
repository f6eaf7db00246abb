export * from './blocks';
export * from './encoding';
export * from './plan';
export * from './readFile';
export * from './resolve';
export * from './types';
export * from './write';
