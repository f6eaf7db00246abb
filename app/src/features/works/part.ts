export { TakeOutFoundSheet, TakeOutSheet } from './TakeOutSheet';
export { WorksScreen } from './WorksScreen';
