import { addDays } from '@glossarion/core/journal';
import type { ShownTask, TaskChange } from '@glossarion/core/tasks';
import { DeedBar } from '../../kit/DeedBar';
import { setTasks } from '../../state/tasks';
import { nextWeek } from './TaskRow';

interface ChosenTasksProps {
  chosen: readonly ShownTask[];
  today: string;
  /** Called when something was done with them. */
  onDone: () => void;
  /** Asks for the day they are put off to. */
  onPutOff: () => void;
}

/** What is done with several tasks together. */
export function ChosenTasks({ chosen, today, onDone, onPutOff }: ChosenTasksProps) {
  const set = (change: TaskChange) => () => {
    void setTasks(
      chosen.map(({ page, node }) => ({ pageId: page.pageId, node })),
      change,
    );
    onDone();
  };
  const deeds: [words: string, act: () => void][] = [
    ['Tick off', set({ set: 'state', state: 'done', today })],
    ['Tomorrow', set({ set: 'for', day: addDays(today, 1) })],
    ['Next week', set({ set: 'for', day: nextWeek(today) })],
    ['Another day', onPutOff],
    ['Begin', set({ set: 'state', state: 'begun', today })],
    ['Drop', set({ set: 'state', state: 'dropped', today })],
  ];
  return <DeedBar label="Of those chosen" deeds={deeds} isDisabled={chosen.length === 0} />;
}

/** Which tasks are chosen; null while none are being chosen. */
export type ChosenIds = ReadonlySet<string> | null;

/** With one more chosen, or one less. */
export function toggled(chosen: ChosenIds, id: string): ReadonlySet<string> {
  const next = new Set(chosen);
  if (!next.delete(id)) next.add(id);
  return next;
}
