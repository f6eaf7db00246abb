export * from './finding';
export * from './mark';
export * from './query';
export * from './telling';
