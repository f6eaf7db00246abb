export * from './path';
export * from './token';
export * from './tree';
