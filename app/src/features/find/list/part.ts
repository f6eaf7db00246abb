export { FoundListBlock } from './FoundListBlock';
