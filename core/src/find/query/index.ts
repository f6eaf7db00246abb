export * from './asked';
export * from './change';
export * from './read';
export * from './savedSearch';
export * from './write';
