import type { DayDate } from '../calendar';
import { MAX_DONE_DAYS } from '../document/kinds';
import type { TaskState } from '../document/types';
import { refusalOf } from './rule';
import { doneText, momentText, occurrenceOf, taskOf, type Done, type Task } from './task';
import { TaskError, type TaskChange, type TaskSetting, type TaskValues } from './taskChange';

/** A day that a repeat falls on, with the rule as it goes on from there. */
export interface Occurrence {
  day: DayDate;
  rule: string;
}

/**
 * The days that repeats fall on (changes/occurrences): handed in, since computing them takes code that no first screen
 * needs.
 */
export interface RepeatDays {
  completeRule: (rule: string, day: DayDate) => string;
  firstFrom: (rule: string, from: DayDate) => DayDate | null;
  nextAfter: (rule: string, due: DayDate, after: DayDate) => Occurrence | null;
  nextFromDone: (rule: string, done: DayDate) => Occurrence | null;
}

type Attributes = Readonly<Record<string, unknown>>;

const doneValue = (done: readonly Done[]): string | null =>
  done.length === 0 ? null : done.slice(-MAX_DONE_DAYS).map(doneText).join(',');

const dueAt = (task: Task, day: DayDate): string => momentText({ day, time: task.due?.time ?? null });

/** What a repeating task becomes at its next time. */
const nextTime = (task: Task, next: Occurrence): TaskValues => ({
  state: 'open',
  due: dueAt(task, next.day),
  for: null,
  repeat: next.rule,
});

function done(task: Task, today: DayDate, days: RepeatDays): TaskValues {
  if (task.repeat === null) return { state: 'done', doneOn: doneValue([{ day: today, due: today }]) };
  const due = task.due?.day ?? today;
  const doneOn = doneValue([...task.doneOn, { day: today, due }]);
  const next = task.isFromDone ? days.nextFromDone(task.repeat, today) : days.nextAfter(task.repeat, due, today);
  return next ? { ...nextTime(task, next), doneOn } : { state: 'done', due: dueAt(task, due), doneOn };
}

/** Opens a task again, or the time of a repeating one that was done. */
function reopened(task: Task, state: TaskState, occurrence: DayDate | null): TaskValues {
  if (task.repeat === null) return { state, doneOn: null };
  const index = task.doneOn.findLastIndex(({ due }) => occurrence === null || due === occurrence);
  if (index < 0) return { state };
  const doneOn = doneValue(task.doneOn.filter((_each, other) => other !== index));
  // Only the last time can be the present one again.
  const isLast = index === task.doneOn.length - 1;
  return isLast ? { state, doneOn, due: dueAt(task, task.doneOn[index]!.due), for: null } : { doneOn };
}

function inState(
  task: Task,
  { state, today }: Extract<TaskChange, { set: 'state' }>,
  occurrence: DayDate | null,
  days: RepeatDays,
): TaskValues {
  const present = occurrenceOf(task);
  if (task.repeat !== null && occurrence !== null && occurrence !== present) {
    // Another time is meant than the one that is due: it was done already, and may be opened again.
    const isDone = task.doneOn.some(({ due }) => due === occurrence);
    return state === 'open' && isDone ? reopened(task, 'open', occurrence) : {};
  }
  if (task.state === state) return {};
  if (state === 'done') return done(task, today, days);
  return task.state === 'done' ? reopened(task, state, occurrence) : { state };
}

function skipped(task: Task, today: DayDate, occurrence: DayDate | null, days: RepeatDays): TaskValues {
  if (task.repeat === null) throw new TaskError('Only a task that repeats can be skipped.');
  const due = task.due?.day ?? today;
  if (occurrence !== null && occurrence !== due) return {};
  const next = days.nextAfter(task.isFromDone ? days.completeRule(task.repeat, due) : task.repeat, due, due);
  return next ? nextTime(task, { ...next, rule: task.isFromDone ? task.repeat : next.rule }) : { state: 'dropped' };
}

function repeating(
  task: Task,
  { repeat, isFromDone = false, today }: Extract<TaskChange, { set: 'repeat' }>,
  days: RepeatDays,
): TaskValues {
  if (repeat === null) return { repeat: null, counted: null };
  const refusal = refusalOf(repeat);
  if (refusal) throw new TaskError(refusal);
  const from = task.due?.day ?? today;
  const rule = isFromDone ? repeat : days.completeRule(repeat, from);
  const first = task.due ? from : isFromDone ? today : days.firstFrom(rule, today);
  if (first === null) throw new TaskError('This repeat falls on no day.');
  return { repeat: rule, counted: isFromDone ? 'done' : null, due: dueAt(task, first) };
}

type Setter<K extends TaskSetting> = (
  task: Task,
  change: Extract<TaskChange, { set: K }>,
  occurrence: DayDate | null,
  days: RepeatDays,
) => TaskValues;

/** What each change makes of a task. */
const SETTERS: { [K in TaskSetting]: Setter<K> } = {
  state: inState,
  skipped: (task, { today }, occurrence, days) => skipped(task, today, occurrence, days),
  // What is due on no day repeats on none.
  due: (task, { due }) => (due === null && task.repeat !== null ? { due, repeat: null, counted: null } : { due }),
  for: (_task, { day }) => ({ for: day }),
  priority: (_task, { priority }) => ({ priority }),
  repeat: (task, change, _occurrence, days) => repeating(task, change, days),
  values: (task, { values }, occurrence) => {
    if (occurrence !== null && occurrence !== occurrenceOf(task)) {
      throw new TaskError('This task has gone on since. What came after has to be taken back first.');
    }
    return values;
  },
};

/**
 * What a change makes of a to-do line: those of its attributes that become others; none when there is nothing left to do,
 * as when a task is ticked that somebody else has ticked meanwhile.
 *
 * @param occurrence the time of a repeating task that is meant, by the day it was due; null for the present one
 * @throws TaskError when it can't be set so
 */
export function changedTask(
  attrs: Attributes,
  change: TaskChange,
  occurrence: DayDate | null,
  days: RepeatDays,
): TaskValues {
  const values = (SETTERS[change.set] as Setter<TaskSetting>)(taskOf(attrs), change as never, occurrence, days);
  return Object.fromEntries(
    Object.entries(values).filter(([name, value]) => (attrs[name] ?? null) !== value),
  ) as TaskValues;
}
