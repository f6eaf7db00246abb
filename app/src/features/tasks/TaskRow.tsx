import { useState } from 'react';
import type { NodeJson } from '@glossarion/core/document';
import { addDays, daysBetween, dayInText, weekdayName, weekdayOf } from '@glossarion/core/journal';
import type { Target } from '@glossarion/core/links';
import { dueFromToday, repeatWords, taskOf, timesWords, type ShownTask, type TaskChange } from '@glossarion/core/tasks';
import { InlineView } from '../../editor';
import { Box } from '../../kit/Box';
import { later } from '../../kit/later';
import { Tap } from '../../kit/Tap';
import { TickBox } from '../../kit/TickBox';
import { Way } from '../../kit/Way';
import { Line, Said } from '../../kit/Words';
import { followLink } from '../../screen/followLink';
import { open } from '../../screen/navigation';
import { clock, setTask, ticking } from '../../state/tasks';
import { dayTyped } from '../../state/typedDay';
import { taskTitle } from './taskTitle';
import { pigmentColour } from '../../theme/tokens';

const LineElsewhere = later(async () => (await import('../parts/LineElsewhere')).LineElsewhere, true);
const TaskSheet = later(async () => (await import('../../screen/TaskSheet')).TaskSheet, true);

interface TaskRowProps {
  task: ShownTask;
  today: string;
  /** Whether it is chosen among others; undefined while none are being chosen. */
  isChosen?: boolean;
  onChoose?: () => void;
}

/** Where a task comes from: the day it was written on, or its page. */
function originOf({ day, title, standsIn }: Target, today: string): string {
  if (standsIn === 'tray') return 'A jotting';
  if (day === null) return title;
  const ago = daysBetween(day, today);
  if (ago === 0) return 'Today';
  if (ago === 1) return 'Yesterday';
  return ago > 1 && ago < 7 ? weekdayName(weekdayOf(day)) : dayInText(day, today);
}

/** A task elsewhere than on its page, with what it says of itself and what can be done with it. */
export function TaskRow({ task, today, isChosen, onChoose }: TaskRowProps) {
  const [isSheetOpen, setSheetOpen] = useState(false);
  const [isEdited, setEdited] = useState(false);
  const { page, node, beneath, putOffs, blockId } = task;
  const attrs = node.attrs ?? {};
  const read = taskOf(attrs);
  const set =
    (each: NodeJson) =>
    (...changes: readonly TaskChange[]) =>
      void setTask(page.pageId, each, ...changes);
  const title = taskTitle(node);
  const said = [
    originOf(page, today),
    putOffs > 0 ? `put off ${timesWords(putOffs)}` : '',
    dueFromToday(read.due, today, clock),
    repeatWords(read, today),
    read.priority ? `${read.priority} priority` : '',
  ].filter((words) => words !== '');
  return (
    <Box
      role="listitem"
      look="task"
      dataSet={{ state: read.state, chosen: isChosen ? '' : undefined }}
      style={{ borderInlineStartColor: pigmentColour(page.day ? null : page.pigment) }}
    >
      <Box look="task-line" onClick={followLink}>
        {onChoose ? (
          <Tap
            look="task-choose"
            role="checkbox"
            aria-checked={isChosen}
            aria-label={`Choose ${title}`}
            onPress={onChoose}
          />
        ) : (
          <TickBox words={title} state={read.state} onTick={() => set(node)(ticking(node))} />
        )}
        {isEdited ? (
          <Box look="task-words">
            <LineElsewhere
              line={{ pageId: page.pageId, pageTitle: page.title, node, trail: page.trail, day: page.day }}
              onDone={() => setEdited(false)}
            />
          </Box>
        ) : (
          <Said look="task-words">
            <Said dir="auto">
              <InlineView node={node} />
            </Said>{' '}
            <Way look="task-from" to={`/b/${blockId}`} onOpen={() => open(`/b/${blockId}`)}>
              {said.join(', ')}
            </Way>
          </Said>
        )}
      </Box>
      {beneath.length > 0 && (
        <Box look="task-beneath" onClick={followLink}>
          {beneath.map((each, index) => (
            <Line key={index} look="task-child" dataSet={{ state: String(each.attrs?.state ?? '') }}>
              {each.attrs?.kind === 'todo' && (
                <TickBox
                  words={taskTitle(each)}
                  state={taskOf(each.attrs).state}
                  onTick={() => set(each)(ticking(each))}
                />
              )}
              <Said dir="auto">
                <InlineView node={each} />
              </Said>
            </Line>
          ))}
        </Box>
      )}
      <Box look="task-foot">
        {!onChoose && (
          <Deeds
            onEdit={() => setEdited(true)}
            title={title}
            node={node}
            today={today}
            onSet={set(node)}
            onMore={() => setSheetOpen(true)}
          />
        )}
      </Box>
      {isSheetOpen && (
        <TaskSheet words={title} attrs={attrs} onChange={set(node)} onClose={() => setSheetOpen(false)} />
      )}
    </Box>
  );
}

interface DeedsProps {
  title: string;
  node: NodeJson;
  today: string;
  onSet: (change: TaskChange) => void;
  onEdit: () => void;
  onMore: () => void;
}

/** What is done with a task by one tap. */
function Deeds({ title, node, today, onSet, onEdit, onMore }: DeedsProps) {
  const { state } = taskOf(node.attrs ?? {});
  const deed = (words: string, label: string, change: () => TaskChange, look = 'task-deed') => (
    <Tap look={look} aria-label={`${label}: ${title}`} onPress={() => onSet(change())}>
      {words}
    </Tap>
  );
  return (
    <Box look="task-deeds">
      {deed('Tomorrow', 'Put off to tomorrow', () => ({ set: 'for', day: addDays(today, 1) }))}
      {deed('Next week', 'Put off to next week', () => ({ set: 'for', day: nextWeek(today) }))}
      {state === 'open' &&
        deed('Begin', 'Begin', () => ({ set: 'state', state: 'begun', today }), 'task-deed wide-only')}
      <Tap
        look="task-deed wide-only"
        aria-label={`Edit ${title}`}
        onFocus={LineElsewhere.prepare}
        onPointerEnter={LineElsewhere.prepare}
        onPress={onEdit}
      >
        Edit
      </Tap>
      <Tap look="task-deed" aria-label={`More for ${title}`} onPress={onMore}>
        …
      </Tap>
    </Box>
  );
}

/** The first day of next week; a week from today while what reads days is on its way. */
export const nextWeek = (today: string): string => dayTyped('next week') ?? addDays(today, 7);
