/** What shows a notebook and what it holds, in one piece: no first screen needs any of it. */
export { DescribeSheet, MakeSheet } from './MakeSheet';
export { NotebookContents } from './NotebookContents';
export { NotebooksScreen } from './NotebooksScreen';
