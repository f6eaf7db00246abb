import type { TaskState } from '@glossarion/core/document';
import { taskOf, whenWords } from '@glossarion/core/tasks';
import { clock, ticking, today } from '../../state/tasks';
import { setTaskAt } from '../tasks';
import { turningInto } from '../turning';
import type { KindView, LineMark, MarkedLine, StillProps } from './kind';

type Attributes = Readonly<Record<string, unknown>>;

const stateOf = (attrs: Attributes | undefined): TaskState => (attrs?.state as TaskState | null | undefined) ?? 'open';

const isChecked = (state: TaskState): 'true' | 'false' | 'mixed' =>
  state === 'begun' ? 'mixed' : state === 'done' ? 'true' : 'false';

/** What a line says at its end: how much it matters, when it is due, how it repeats. */
export function taskWords(attrs: Attributes): string {
  const task = taskOf(attrs);
  return [task.priority ? `${task.priority} priority` : '', whenWords(task, today(), clock)].filter(Boolean).join(', ');
}

const named = (attrs: Attributes): string => [`To-do, ${stateOf(attrs)}`, taskWords(attrs)].filter(Boolean).join(', ');

function boxMark(line: MarkedLine): LineMark {
  const box = document.createElement('button');
  box.className = 'box';
  box.type = 'button';
  box.tabIndex = -1;
  box.contentEditable = 'false';
  box.setAttribute('role', 'checkbox');
  box.addEventListener('mousedown', (event) => event.preventDefault());
  box.addEventListener('click', () =>
    line.change((state, position) => setTaskAt(state, position, ticking({ type: 'block', attrs: line.attrs() }))),
  );
  return {
    dom: box,
    show: (attrs) => {
      box.setAttribute('aria-checked', isChecked(stateOf(attrs)));
      box.setAttribute('aria-label', named(attrs));
    },
  };
}

function StillBox({ node, onTick }: StillProps) {
  const attrs = node.attrs ?? {};
  return (
    <button
      type="button"
      className="box"
      role="checkbox"
      aria-checked={isChecked(stateOf(attrs))}
      aria-label={named(attrs)}
      disabled={!onTick}
      onClick={(event) => {
        // Where a line opens what it stands in, its box does not.
        event.stopPropagation();
        onTick?.(node);
      }}
    />
  );
}

export const todo: KindView = {
  name: 'todo',
  offers: [
    { words: 'To-do', detail: '[] at the start of a line', also: 'task tick checkbox', turn: turningInto('todo') },
  ],
  text: {
    goesOn: true,
    mark: boxMark,
    StillMark: StillBox,
    atEnd: taskWords,
    typed: [
      { find: /^\[ ?\]\s$/u, attrs: () => ({ state: 'open' }) },
      { find: /^\[[xX]\]\s$/u, attrs: () => ({ state: 'done', doneOn: today() }) },
    ],
  },
};
