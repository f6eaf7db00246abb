export * from './lines';
export * from './parts';
export * from './placement';
export * from './weights';
