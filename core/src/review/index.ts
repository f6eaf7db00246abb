export * from './review';
export * from './span';
export * from './took';
