export * from './asked';
export * from './change';
export * from './read';
export * from './write';
