export * from './arrangement';
export * from './gathered';
