export { TagScreen } from './TagScreen';
export { TagsScreen } from './TagsScreen';
export { WearSheet } from './WearSheet';
