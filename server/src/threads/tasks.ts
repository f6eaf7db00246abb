import { archiveFiles } from './archiveFiles';
import { archiveText } from './archivedText';
import { fileText } from './fileText';
import { readFiles } from './readFiles';
import { readRequest } from './readRequest';
import { sniff } from './sniff';
import { writeBook } from './writeBook';
import { writePrint } from './writePrint';
import { writeFiles } from './writeFiles';
import { writeSite } from './writeSite';

/** What threads do: each takes data and gives data, so that it can run beside the one that serves. */
export const TASKS = {
  archiveFiles,
  archiveText,
  fileText,
  readFiles,
  readRequest,
  sniff,
  writeBook,
  writeFiles,
  writePrint,
  writeSite,
};

export type Tasks = typeof TASKS;
export type TaskName = keyof Tasks;
export type InputOf<K extends TaskName> = Parameters<Tasks[K]>[0];
export type OutputOf<K extends TaskName> = Awaited<ReturnType<Tasks[K]>>;

/** Does one task. */
export const doTask = ({ task, input }: { task: TaskName; input: unknown }): Promise<unknown> | unknown =>
  (TASKS[task] as (input: never) => unknown)(input as never);
