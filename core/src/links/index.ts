export * from './near';
export * from './ranges';
export * from './state';
export * from './target';
export * from './token';
