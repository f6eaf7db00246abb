import { isDay } from '../../calendar';
import { listOf, oneOf, textThat } from '../attributes';
import { PRIORITIES, TASK_STATES, type TaskState } from '../types';
import { element, type TextKind } from './kind';

/** To-dos as GitHub's items write them; a state that those lack is said in braces after the line. */
const BOXES: Record<TaskState, string> = { open: '[ ]', done: '[x]', begun: '[ ]', dropped: '[x]' };
/** What a box says that is read, whoever wrote it. */
const READ: Readonly<Record<string, TaskState>> = { ' ': 'open', x: 'done', '/': 'begun', '-': 'dropped' };

const stateOf = (attrs: Readonly<Record<string, unknown>> | undefined): TaskState =>
  (attrs?.state as TaskState | null | undefined) ?? 'open';

/** The state that a box at the start of a line says; null when it is no box. */
export const stateOfBox = (box: string): TaskState | null => READ[box.slice(1, -1).toLowerCase()] ?? null;

const MOMENT = /^(\d{4}-\d{2}-\d{2})(?:T(?:[01]\d|2[0-3]):[0-5]\d)?$/u;
const isMoment = (text: string): boolean => isDay(MOMENT.exec(text)?.[1]);
const MAX_RULE = 200;
/** Days on which a repeating task was done; those before are known by what happened alone (core/tasks/happenings). */
export const MAX_DONE_DAYS = 100;

export const todo: TextKind = {
  name: 'todo',
  isText: true,
  list: 'unordered',
  attributes: {
    state: oneOf(TASK_STATES),
    priority: oneOf(PRIORITIES),
    /** The day it is due, with the time of day where there is one: `2026-11-27T09:30`. */
    due: textThat(isMoment),
    /** The day it is for, before which it is brought forward nowhere; `none` for no day at all. */
    for: textThat((text) => text === 'none' || isDay(text)),
    /** The rule of its repeat (RFC 5545, 3.3.10), and whether it is counted from the day it was done. */
    repeat: textThat((text) => text.length <= MAX_RULE && /^FREQ=[A-Z]+(?:;[A-Z]+=[A-Z\d,+-]+)*$/u.test(text)),
    counted: oneOf(['done']),
    /** The days it was done, latest last, each with the day it was due after a stroke where that is another. */
    doneOn: {
      ...listOf((text) => text.split('/').every(isDay) && text.split('/').length <= 2, MAX_DONE_DAYS),
      isOfOne: true,
    },
  },
  begins: { state: 'open' },
  state: stateOf,
  markdown: {
    shows: (attrs) => (['open', 'done'].includes(stateOf(attrs)) ? ['state'] : []),
    box: ({ attrs }) => `${BOXES[stateOf(attrs)]} `,
  },
  html: {
    isSaid: true,
    box: ({ attrs }) => element('input', { type: 'checkbox', disabled: true, checked: attrs?.state === 'done' }),
  },
};
