export * from './finder';
export * from '../links/ranges';
export * from './alsoNamedLine';
