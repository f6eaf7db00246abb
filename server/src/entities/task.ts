import { EntitySchema } from 'typeorm';
import type { TaskFact } from '@glossarion/core/document';
import { key, text, textOrNull } from './columns';

/** A fact of a body: one of its lines that is a task. */
export interface StoredTask extends TaskFact {
  documentId: string;
}

const OPEN = "state IN ('open', 'begun')";

export const TaskEntity = new EntitySchema<StoredTask>({
  name: 'Task',
  tableName: 'tasks',
  columns: {
    documentId: key,
    blockId: key,
    state: text,
    priority: textOrNull,
    due: textOrNull,
    forDay: textOrNull,
    repeat: textOrNull,
    doneOn: textOrNull,
    within: textOrNull,
  },
  indices: [
    { name: 'tasks_open', columns: ['documentId'], where: OPEN },
    { name: 'tasks_open_by_due', columns: ['due'], where: `${OPEN} AND due IS NOT NULL` },
    { name: 'tasks_open_by_for', columns: ['forDay'], where: `${OPEN} AND forDay IS NOT NULL` },
    { name: 'tasks_by_block', columns: ['blockId'] },
  ],
});
