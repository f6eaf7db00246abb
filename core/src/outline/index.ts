export * from './entry';
export * from './folio';
export * from './order';
