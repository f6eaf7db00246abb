export * from './finding';
export * from './mark';
export * from './query';
export * from './rarity';
export * from './telling';
