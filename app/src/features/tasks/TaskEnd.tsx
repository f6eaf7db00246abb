import { taskWords } from '../../editor';
import { Said } from '../../kit/Words';

/** When a task is due, in few words at its end; nothing when it says nothing of itself. */
export function TaskEnd({ attrs }: { attrs: Readonly<Record<string, unknown>> }) {
  const words = taskWords(attrs);
  return words === '' ? null : <Said look="task-end">{words}</Said>;
}
