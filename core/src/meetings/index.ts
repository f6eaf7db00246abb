export * from './fromLine';
export type * from './about';
