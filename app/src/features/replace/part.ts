export { ReplaceScreen } from './ReplaceScreen';
