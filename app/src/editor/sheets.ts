/** What the parts of the editor look like: read when the product's style sheet is made, and by no script after. */
export { overviewSheet } from './overview/sheet';
export { writingSheet } from './sheet';
export { toolSheet } from './toolSheet';
