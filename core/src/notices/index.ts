export * from './changed';
export * from './told';
