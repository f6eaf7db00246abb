import type { Act } from '@glossarion/core/acts';
import { ownWords, type NodeJson, type TaskState } from '@glossarion/core/document';
import { localDay } from '@glossarion/core/journal';
import { clockOf, dueWords, momentOf, occurrenceOf, TaskError, taskOf, type TaskChange } from '@glossarion/core/tasks';
import { api, UNREACHED } from './api';
import { performIfReached } from './deeds';
import { changedHere } from './repeatDays';
import { store } from './store';
import { noticed } from './view';
import { keepActs } from './waitingActs';

/** A task where it is shown, with the page it stands on. */
export interface PlacedTask {
  pageId: string;
  node: NodeJson;
}

const SHOWN = 60;
const shortened = (words: string): string => (words.length > SHOWN ? `${words.slice(0, SHOWN).trimEnd()}…` : words);

/** Whether the person's own clock has twelve hours. */
const isTwelve = (): boolean =>
  new Intl.DateTimeFormat(navigator.language, { hour: 'numeric' }).resolvedOptions().hour12 === true;

/** How a time of day is shown here: by the locale's clock. */
export const clock = (time: string): string => clockOf(isTwelve())(time);

export const today = (): string => localDay(new Date());

/** The change that ticks a task off, or opens it again. */
export const ticking = ({ attrs }: NodeJson): TaskChange => ({
  set: 'state',
  state: attrs?.state === 'done' ? 'open' : 'done',
  today: today(),
});

const STATES: Record<TaskState, string> = { open: 'open again', begun: 'begun', done: 'done', dropped: 'dropped' };

/** What a change is called once it is done: “is due Tue 1 Dec”. */
function toldAs(change: TaskChange): string {
  switch (change.set) {
    case 'state':
      return `is ${STATES[change.state]}`;
    case 'skipped':
      return 'is left out this time';
    case 'due':
      return change.due ? `is due ${dueWords(momentOf(change.due)!, today(), clock)}` : 'has no due day';
    case 'for': {
      if (change.day === null) return 'is for no day in particular';
      if (change.day === 'none') return 'is put off, to no day';
      const day = dueWords({ day: change.day, time: null }, today(), clock);
      return change.day > today() ? `is put off to ${day}` : `is for ${day}`;
    }
    case 'priority':
      return change.priority ? `is of ${change.priority} priority` : 'has no priority';
    case 'repeat':
      return change.repeat ? 'repeats' : 'does not repeat any more';
    case 'values':
      return 'is as it was';
  }
}

const said = (tasks: readonly PlacedTask[]): string =>
  tasks.length === 1 ? `“${shortened(ownWords(tasks[0]!.node).trim() || 'A to-do')}”` : `Each of ${tasks.length} tasks`;

/** Shows at once what lists of tasks will say; they ask for it again when it is told of. */
function showAtOnce(tasks: readonly PlacedTask[], changes: readonly TaskChange[]): void {
  const { queries } = store.getState().api;
  const values = new Map(
    tasks.map(({ node }): [unknown, object] => [
      node.attrs?.id,
      changes.reduce((made, change) => ({ ...made, ...changedIfKnown({ ...node.attrs, ...made }, change) }), {}),
    ]),
  );
  for (const query of Object.values(queries)) {
    if (query?.endpointName !== 'brought' && query?.endpointName !== 'tasks') continue;
    store.dispatch(
      api.util.updateQueryData(query.endpointName as 'brought', query.originalArgs as never, (shown) => {
        for (const { node, beneath } of shown.tasks) {
          for (const each of [node, ...beneath]) Object.assign((each.attrs ??= {}), values.get(each.attrs.id));
        }
      }),
    );
  }
}

/** The acts that make changes of a task, each of what those before it made of the task. */
function acting({ pageId, node }: PlacedTask, changes: readonly TaskChange[]): Act[] {
  let attrs = node.attrs ?? {};
  return changes.map((change, index): Act => {
    const occurrence = occurrenceOf(taskOf(attrs));
    if (index < changes.length - 1) attrs = { ...attrs, ...changedIfKnown(attrs, change) };
    return { do: 'setTask', id: pageId, blockId: String(node.attrs?.id), change, occurrence };
  });
}

/** What a change makes of a line; nothing where that can't be told here, and the server tells it. */
function changedIfKnown(attrs: Readonly<Record<string, unknown>>, change: TaskChange): object {
  try {
    return changedHere(attrs, change);
  } catch {
    return {};
  }
}

/**
 * Sets something of tasks that are shown elsewhere than on their page; taken back like any deed. Without the server it is
 * kept here, and done once that is reached again.
 */
export async function setTasks(tasks: readonly PlacedTask[], ...changes: readonly TaskChange[]): Promise<void> {
  const acts = tasks.flatMap((task) => acting(task, changes));
  const words = `${said(tasks)} ${changes.map(toldAs).join(' and ')}.`;
  showAtOnce(tasks, changes);
  const isOffline = store.getState().view.saving === 'offline';
  if (!isOffline && (await performIfReached(acts, words)) !== 'unreached') return;
  const told = keepActs(acts) ? `${words} It is kept here until there is a network.` : UNREACHED;
  store.dispatch(noticed({ words: told }));
}

export const setTask = (pageId: string, node: NodeJson, ...changes: readonly TaskChange[]): Promise<void> =>
  setTasks([{ pageId, node }], ...changes);

/** What a change makes of a line here; null, with the reason told, when it can't be set so. */
export function changedOrTold(
  attrs: Readonly<Record<string, unknown>>,
  change: TaskChange,
): ReturnType<typeof changedHere> | null {
  try {
    return changedHere(attrs, change);
  } catch (error) {
    if (!(error instanceof TaskError)) throw error;
    store.dispatch(noticed({ words: error.message }));
    return null;
  }
}
