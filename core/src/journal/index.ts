export * from './day';
export * from './ink';
export * from './template';
