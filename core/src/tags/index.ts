export * from './alike';
export * from './fit';
export * from './path';
export * from './token';
export * from './tree';
