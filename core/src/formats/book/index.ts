export * from './nav';
export * from './ncx';
export * from './package';
export * from './page';
export * from './sheet';
export { BOOK_SHEET } from './xhtml';
