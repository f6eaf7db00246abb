export * from './body';
export * from './check';
export * from './content';
export * from './read';
export { FIELDS, textKey } from './stored';
export { fieldText, writeField, writeKinds } from './write';
