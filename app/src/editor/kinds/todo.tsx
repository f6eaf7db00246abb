import type { TaskState } from '@glossarion/core/document';
import { turningInto } from '../turning';
import type { KindView, LineMark, MarkedLine, StillProps } from './kind';

const stateOf = (attrs: Readonly<Record<string, unknown>> | undefined): TaskState =>
  (attrs?.state as TaskState | null | undefined) ?? 'open';

const isChecked = (state: TaskState): 'true' | 'false' | 'mixed' =>
  state === 'begun' ? 'mixed' : state === 'done' ? 'true' : 'false';

function boxMark(line: MarkedLine): LineMark {
  const box = document.createElement('button');
  box.className = 'box';
  box.type = 'button';
  box.tabIndex = -1;
  box.contentEditable = 'false';
  box.setAttribute('role', 'checkbox');
  box.addEventListener('mousedown', (event) => event.preventDefault());
  box.addEventListener('click', () =>
    line.change(({ tr }, position) =>
      tr.setNodeAttribute(position, 'state', stateOf(line.attrs()) === 'done' ? 'open' : 'done'),
    ),
  );
  return {
    dom: box,
    show: (attrs) => {
      const state = stateOf(attrs);
      box.setAttribute('aria-checked', isChecked(state));
      box.setAttribute('aria-label', `To-do, ${state}`);
    },
  };
}

function StillBox({ node, onTick }: StillProps) {
  const state = stateOf(node.attrs);
  return (
    <button
      type="button"
      className="box"
      role="checkbox"
      aria-checked={isChecked(state)}
      aria-label={`To-do, ${state}`}
      disabled={!onTick}
      onClick={() => onTick?.(node)}
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
    typed: [
      { find: /^\[ ?\]\s$/u, attrs: () => ({ state: 'open' }) },
      { find: /^\[[xX]\]\s$/u, attrs: () => ({ state: 'done' }) },
    ],
  },
};
