export * from './fileText';
