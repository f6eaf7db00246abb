export { shownInline, shownLines } from './lines';
export { times } from './times';
