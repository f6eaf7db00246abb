export * from './read';
export * from './write';
export * from './webPage';
