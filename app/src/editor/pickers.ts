/** What lists offer while something is typed: no first screen shows any. */
export { InsertMenu } from './InsertMenu';
export { LinkPicker } from './LinkPicker';
export { TagPicker } from './TagPicker';
