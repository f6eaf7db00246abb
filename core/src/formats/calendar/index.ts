export * from './events';
export * from './tasks';
