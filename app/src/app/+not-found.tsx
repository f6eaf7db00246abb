export { NotHere as default } from '../screen/NotHere';
