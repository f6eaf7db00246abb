import { IsNull, Not, type EntityManager } from 'typeorm';
import { MAX_DONE_DAYS } from '@glossarion/core/document';
import { taskOf, type Task } from '@glossarion/core/tasks';
import { HappeningEntity, TaskEntity, type Happening, type StoredTask } from '../entities';
import type { Disagreement } from './checkedData';

const read = ({ state, due, repeat, doneOn }: StoredTask): Task => taskOf({ state, due, repeat, doneOn });

/**
 * Compares what happened to tasks with what their lines say. Of a line that stands nowhere any more, nothing is said: it
 * may come back.
 */
export async function checkHappenings(manager: EntityManager): Promise<Disagreement[]> {
  const tasks = new Map((await manager.find(TaskEntity)).map((task) => [task.blockId, task]));
  const happenings = await manager.find(HappeningEntity, { where: { what: Not('words') } });
  const found: Disagreement[] = [];
  const noted = new Set<string>();
  for (const happening of happenings) {
    const { blockId, what, day, occurrence, documentId } = happening;
    if (what === 'done') noted.add(`${blockId} ${day} ${occurrence}`);
    const task = tasks.get(blockId);
    if (!task) continue;
    if (task.documentId !== documentId)
      found.push({ pageId: documentId, what: 'What happened to a task stayed behind.' });
    if (isDenied(happening, read(task))) found.push({ pageId: documentId, what: `A task was never ${what}.` });
  }
  for (const task of await manager.find(TaskEntity, { where: { doneOn: Not(IsNull()) } })) {
    const isMissing = read(task).doneOn.some(({ day, due }) => !noted.has(`${task.blockId} ${day} ${due}`));
    if (isMissing) found.push({ pageId: task.documentId, what: 'That a task was done is not known of its day.' });
  }
  return found;
}

function isDenied({ what, day, occurrence }: Happening, { state, doneOn }: Task): boolean {
  if (what === 'dropped') return state !== 'dropped';
  if (what !== 'done' || doneOn.length === MAX_DONE_DAYS) return false;
  return !doneOn.some((each) => each.day === day && each.due === occurrence);
}
