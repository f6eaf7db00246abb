export * from './dayKey';
export * from './finder';
export * from '../links/ranges';
export * from './alsoNamedLine';
export * from './stillNaming';
