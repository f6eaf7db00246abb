export * from './finder';
export * from './lines';
export * from './mention';
