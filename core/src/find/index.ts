export * from './mark';
export * from './query';
export * from './telling';
export * from './words';
