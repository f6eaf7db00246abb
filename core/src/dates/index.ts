export * from './dates';
