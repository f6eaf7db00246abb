export * from './counted';
