export * from './beginning';
export * from './day';
export * from './ink';
export * from './page';
export * from './template';
