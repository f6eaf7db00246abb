export * from './messages';
