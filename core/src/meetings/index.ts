export * from './fromLine';
