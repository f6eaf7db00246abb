export { times } from './times';
