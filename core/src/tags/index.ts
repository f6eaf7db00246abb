export * from './normalize';
