export * from './review';
export * from './span';
