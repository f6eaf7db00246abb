export * from './finder';
export * from './lines';
