export * from './check';
export * from './content';
export * from './read';
export { FIELDS } from './stored';
export { fieldText, writeField, writeKinds } from './write';
