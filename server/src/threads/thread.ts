import { doTask } from './tasks';

/** The script of each thread. */
export default doTask;
