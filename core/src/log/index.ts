export { LOG_ORDERS, LOG_SPANS, logOf, type LogAttributes, type LogOrder, type LogSpan } from '../document/kinds';
export * from './types';
