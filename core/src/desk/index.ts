export * from './arrangement';
