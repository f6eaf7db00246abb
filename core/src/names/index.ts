export * from './names';
