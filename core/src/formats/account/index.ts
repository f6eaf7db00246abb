export * from './fileToWrite';
export * from './front';
export * from './ids';
export * from './markdownFile';
export * from './pageFile';
export * from './paths';
export * from './types';
export * from './writers';
