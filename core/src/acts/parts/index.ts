export * from './foldBack';
export * from './lift';
export * from './range';
export * from './send';
export * from './split';
