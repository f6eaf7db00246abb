export * from './contents';
export * from './drop';
export * from './entry';
export * from './folio';
export * from './order';
export * from './place';
export * from './season';
export * from './shown';
