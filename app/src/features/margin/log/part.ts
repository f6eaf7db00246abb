export { LogBlock } from './LogBlock';
export { LogSheet } from './LogSheet';
