import type { ReactNode } from 'react';
import type { TaskState } from '@glossarion/core/document';
import type { DeskTask } from '@glossarion/core/desk';
import type { Target } from '@glossarion/core/links';
import { BlockText } from '../../editor/BodyView';
import { useSetTaskStateMutation } from '../../state/api';
import { pigmentColour } from '../../theme/tokens';
import { perform } from '../outline/deeds';
import { addressOf, open, openTarget } from '../shell/navigation';
import { placeWords } from '../trail/words';

/** A link within the app, opened here unless it is asked for in another window. */
function Way({ address, className, children }: { address: string; className: string; children: ReactNode }) {
  return (
    <a
      href={address}
      className={className}
      onClick={(event) => {
        if (event.metaKey || event.ctrlKey) return;
        event.preventDefault();
        open(address);
      }}
    >
      {children}
    </a>
  );
}

function TargetLine({ target, detail }: { target: Target; detail?: string }) {
  return (
    <Way address={addressOf(target)} className="desk-line">
      <span className="desk-title" dir="auto">
        {target.title}
      </span>
      <span className="desk-detail">{[detail, placeWords(target)].filter(Boolean).join(' · ')}</span>
    </Way>
  );
}

const edge = (target: Target) => ({ borderInlineStartColor: pigmentColour(target.day ? null : target.pigment) });

export function DeskTargets({ targets, emptyWords }: { targets: readonly Target[]; emptyWords: string }) {
  if (targets.length === 0) return <p className="desk-empty">{emptyWords}</p>;
  return (
    <ul>
      {targets.map((target) => (
        <li key={target.id} style={edge(target)}>
          <TargetLine target={target} />
        </li>
      ))}
    </ul>
  );
}

/** Pins in their order; while the Desk is arranged each can be moved and taken away. */
export function DeskPins({ pins, isArranging }: { pins: readonly Target[]; isArranging: boolean }) {
  if (pins.length === 0) return <p className="desk-empty">What you pin stands here, in your own order.</p>;
  const afterOf = (index: number) => pins[index]?.id ?? null;
  const button = (label: string, title: string, act: () => unknown) => (
    <button type="button" className="desk-button" aria-label={`${label}: ${title}`} onClick={() => void act()}>
      {{ 'Move up': '↑', 'Move down': '↓' }[label] ?? label}
    </button>
  );
  return (
    <ol>
      {pins.map((pin, index) => (
        <li key={pin.id} style={edge(pin)}>
          <TargetLine target={pin} />
          {isArranging && (
            <span className="desk-arranging">
              {index > 0 &&
                button('Move up', pin.title, () =>
                  perform([{ do: 'pin', id: pin.id, afterId: afterOf(index - 2) }], null),
                )}
              {index < pins.length - 1 &&
                button('Move down', pin.title, () =>
                  perform([{ do: 'pin', id: pin.id, afterId: afterOf(index + 1) }], null),
                )}
              {button('Unpin', pin.title, () =>
                perform([{ do: 'unpin', id: pin.id }], `“${pin.title}” is not pinned any more.`),
              )}
            </span>
          )}
        </li>
      ))}
    </ol>
  );
}

/** Open tasks as they stand on their pages: a tick here is a tick there. */
export function DeskTasks({ tasks }: { tasks: readonly DeskTask[] }) {
  const [setState] = useSetTaskStateMutation();
  if (tasks.length === 0) return <p className="desk-empty">No task is open.</p>;
  return (
    <ul
      className="desk-tasks"
      onClick={(event) => {
        const link = (event.target as Element).closest<HTMLElement>('a[data-target]');
        if (!link || event.metaKey || event.ctrlKey) return;
        event.preventDefault();
        openTarget(link.dataset.target!);
      }}
    >
      {tasks.map(({ blockId, page, node }) => (
        <li key={blockId} style={edge(page)}>
          <div className="writing still" role="list">
            <BlockText
              node={{ ...node, attrs: { ...node.attrs, depth: 0 } }}
              onTick={() => void setState({ id: blockId, state: 'done' satisfies TaskState })}
            />
          </div>
          <Way address={`/b/${blockId}`} className="desk-line">
            <span className="desk-detail">
              {page.day ? page.title : [page.title, placeWords(page)].filter(Boolean).join(' · ')}
            </span>
          </Way>
        </li>
      ))}
    </ul>
  );
}

export function DeskUnwritten({ unwritten }: { unwritten: readonly { target: Target; links: number }[] }) {
  if (unwritten.length === 0) return <p className="desk-empty">Every page that is linked has text.</p>;
  return (
    <ul>
      {unwritten.map(({ target, links }) => (
        <li key={target.id} style={edge(target)}>
          <TargetLine target={target} detail={links === 1 ? 'one link' : `${links} links`} />
        </li>
      ))}
    </ul>
  );
}
