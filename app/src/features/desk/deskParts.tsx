import { useState } from 'react';
import type { DeskTask, ForgottenPage } from '@glossarion/core/desk';
import { localDay, nearDate } from '@glossarion/core/journal';
import type { Target } from '@glossarion/core/links';
import { BlockText } from '../../editor';
import { setTask, ticking } from '../../state/tasks';
import { pigmentColour } from '../../theme/tokens';
import { perform } from '../../state/deeds';
import { addressOf, open, openTarget } from '../../screen/navigation';
import { placeWords } from '../../screen/words';
import { count } from '../../kit/count';
import { useToday } from '../../screen/useToday';
import { later } from '../../kit/later';
import type { TaskChange } from '@glossarion/core/tasks';
import { taskTitle } from '../tasks/taskTitle';
import { Way } from '../../kit/Way';
import { Empty } from '../../kit/Empty';
import { Said } from '../../kit/Words';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';

const TaskSheet = later(async () => (await import('../../screen/TaskSheet')).TaskSheet, true);

function TargetLine({ target, detail }: { target: Target; detail?: string }) {
  return (
    <Way to={addressOf(target)} onOpen={() => open(addressOf(target))} look="desk-line">
      <Said look="desk-title" dir="auto">
        {target.title}
      </Said>
      <Said look="desk-detail">{[detail, placeWords(target)].filter(Boolean).join(' · ')}</Said>
    </Way>
  );
}

const edge = (target: Target) => ({ borderInlineStartColor: pigmentColour(target.day ? null : target.pigment) });

export function DeskTargets({ targets, emptyWords }: { targets: readonly Target[]; emptyWords: string }) {
  if (targets.length === 0) return <Empty>{emptyWords}</Empty>;
  return (
    <Box role="list">
      {targets.map((target) => (
        <Box role="listitem" key={target.id} style={edge(target)}>
          <TargetLine target={target} />
        </Box>
      ))}
    </Box>
  );
}

/** Pins in their order; while the Desk is arranged each can be moved and taken away. */
export function DeskPins({ pins, isArranging }: { pins: readonly Target[]; isArranging: boolean }) {
  if (pins.length === 0) return <Empty>What you pin stands here, in your own order.</Empty>;
  const afterOf = (index: number) => pins[index]?.id ?? null;
  const button = (label: string, title: string, act: () => unknown) => (
    <Tap look="desk-button" aria-label={`${label}: ${title}`} onPress={() => void act()}>
      {{ 'Move up': '↑', 'Move down': '↓' }[label] ?? label}
    </Tap>
  );
  return (
    <Box role="list">
      {pins.map((pin, index) => (
        <Box role="listitem" key={pin.id} style={edge(pin)}>
          <TargetLine target={pin} />
          {isArranging && (
            <Box look="desk-arranging">
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
            </Box>
          )}
        </Box>
      ))}
    </Box>
  );
}

/** Open tasks as they stand on their pages: a tick here is a tick there. */
export function DeskTasks({ tasks, emptyWords }: { tasks: readonly DeskTask[]; emptyWords: string }) {
  if (tasks.length === 0) return <Empty>{emptyWords}</Empty>;
  return (
    <Box
      role="list"
      look="desk-tasks"
      onClick={(event) => {
        const link = (event.target as Element).closest<HTMLElement>('a[data-target]');
        if (!link || event.metaKey || event.ctrlKey) return;
        event.preventDefault();
        openTarget(link.dataset.target!);
      }}
    >
      {tasks.map((task) => (
        <DeskTaskLine key={task.blockId} task={task} />
      ))}
    </Box>
  );
}

function DeskTaskLine({ task: { blockId, page, node } }: { task: DeskTask }) {
  const [isSheetOpen, setSheetOpen] = useState(false);
  const set = (...changes: readonly TaskChange[]) => void setTask(page.pageId, node, ...changes);
  return (
    <Box role="listitem" style={edge(page)}>
      <Box look="writing still" role="list">
        <BlockText node={{ ...node, attrs: { ...node.attrs, depth: 0 } }} onTick={() => set(ticking(node))} />
      </Box>
      <Box look="desk-task-foot">
        <Way to={`/b/${blockId}`} onOpen={() => open(`/b/${blockId}`)} look="desk-line">
          <Said look="desk-detail">
            {page.day ? page.title : [page.title, placeWords(page)].filter(Boolean).join(' · ')}
          </Said>
        </Way>
        <Tap look="task-deed" aria-label={`More for ${taskTitle(node)}`} onPress={() => setSheetOpen(true)}>
          …
        </Tap>
      </Box>
      {isSheetOpen && (
        <TaskSheet
          words={taskTitle(node)}
          attrs={node.attrs ?? {}}
          onChange={set}
          onClose={() => setSheetOpen(false)}
        />
      )}
    </Box>
  );
}

/** Pages with open tasks that nobody opened or changed for long. */
export function DeskForgotten({ forgotten }: { forgotten: readonly ForgottenPage[] }) {
  const today = useToday();
  if (forgotten.length === 0) return <Empty>No page with open tasks was left alone for long.</Empty>;
  return (
    <Box role="list">
      {forgotten.map(({ target, openTasks, seenAt }) => (
        <Box role="listitem" key={target.id} style={edge(target)}>
          <TargetLine
            target={target}
            detail={`${count(openTasks, 'open task')}, last seen ${nearDate(localDay(new Date(seenAt)), today)}`}
          />
        </Box>
      ))}
    </Box>
  );
}

export function DeskUnwritten({ unwritten }: { unwritten: readonly { target: Target; links: number }[] }) {
  if (unwritten.length === 0) return <Empty>Every page that is linked has text.</Empty>;
  return (
    <Box role="list">
      {unwritten.map(({ target, links }) => (
        <Box role="listitem" key={target.id} style={edge(target)}>
          <TargetLine target={target} detail={links === 1 ? 'one link' : `${links} links`} />
        </Box>
      ))}
    </Box>
  );
}
