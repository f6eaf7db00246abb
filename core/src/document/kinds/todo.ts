import { oneOf } from '../attributes';
import { TASK_STATES, type TaskState } from '../types';
import { element, type TextKind } from './kind';

/** To-dos as GitHub's items write them, and the two states that those lack: `- [/] begun`, `- [-] dropped`. */
const BOXES: Record<TaskState, string> = { open: '[ ]', done: '[x]', begun: '[/]', dropped: '[-]' };

const stateOf = (attrs: Readonly<Record<string, unknown>> | undefined): TaskState =>
  (attrs?.state as TaskState | null | undefined) ?? 'open';

/** The state that a box at the start of a line says; null when it is no box. */
export const stateOfBox = (box: string): TaskState | null =>
  TASK_STATES.find((state) => BOXES[state] === box.toLowerCase()) ?? null;

export const todo: TextKind = {
  name: 'todo',
  isText: true,
  list: 'unordered',
  attributes: { state: oneOf(TASK_STATES) },
  begins: { state: 'open' },
  state: stateOf,
  markdown: { shows: ['state'], box: ({ attrs }) => `${BOXES[stateOf(attrs)]} ` },
  html: {
    isSaid: true,
    box: ({ attrs }) => element('input', { type: 'checkbox', disabled: true, checked: attrs?.state === 'done' }),
  },
};
