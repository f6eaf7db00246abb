export * from './changed';
