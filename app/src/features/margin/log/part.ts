export { LogBlock } from './LogBlock';
export { LogList } from './LogList';
export { LogSheet } from './LogSheet';
