export * from './mark';
export * from './names';
export * from './query';
export * from './telling';
export * from './words';
