import { useState } from 'react';
import type { ShownTask } from '@glossarion/core/tasks';
import { useBroughtQuery } from '../../state/api';
import { useAtRest } from '../../kit/Afterwards';
import { Box } from '../../kit/Box';
import { around, later } from '../../kit/later';
import { Tap } from '../../kit/Tap';
import { Heading } from '../../kit/Words';
import { ChosenTasks, toggled, type ChosenIds } from './ChosenTasks';
import type { Asking } from '../tray/JottingRow';
import { TaskRow } from './TaskRow';

const JottingSheet = later(async () => (await import('../tray/part')).JottingSheet, true);
const JottingRow = around(async () => (await import('../tray/part')).JottingRow);
const PutOffSheet = later(async () => (await import('./PutOffSheet')).PutOffSheet, true);

interface BroughtForwardProps {
  day: string;
  today: string;
  /** Of tasks and jottings so many are shown first, the others at a tap; above a text there is little room. */
  shownFirst?: number;
}

/** What stands on a day though it was not written on it: what was left, what is due, what was put off to it. */
export function BroughtForward({ day, today, shownFirst = Infinity }: BroughtForwardProps) {
  const [isWhole, setWhole] = useState(false);
  const [isOpen, setOpen] = useState(false);
  const [chosen, setChosen] = useState<ChosenIds>(null);
  const [putOff, setPutOff] = useState<readonly ShownTask[] | null>(null);
  const [asking, setAsking] = useState<Asking | null>(null);
  const { data } = useBroughtQuery({ day, today, isWhole }, { skip: !useAtRest() || day < today });
  if (!data || day < today || (data.tasks.length === 0 && data.older === 0 && data.jottings.length === 0)) return null;
  const { tasks, older, jottings } = data;
  const shown = isOpen ? tasks : tasks.slice(0, shownFirst);
  const jotted = isOpen ? jottings : jottings.slice(0, Math.max(0, shownFirst - shown.length));
  const hidden = tasks.length + jottings.length - shown.length - jotted.length;
  const isToday = day === today;
  const choose = (id: string) => setChosen(toggled(chosen, id));
  const picked = chosen ? tasks.filter(({ blockId }) => chosen.has(blockId)) : [];
  return (
    <Box role="region" look="brought" aria-label={isToday ? 'Brought forward' : 'On this day'}>
      <Box look="brought-head">
        <Heading level={2}>{isToday ? 'Brought forward' : 'On this day'}</Heading>
        {chosen ? (
          <Tap look="task-deed" onPress={() => setChosen(null)}>
            Leave
          </Tap>
        ) : (
          <>
            {tasks.length > 1 && (
              <Tap look="task-deed" onPress={() => setChosen(new Set())}>
                Choose
              </Tap>
            )}
            {isToday && tasks.length > 0 && (
              <Tap look="task-deed" onPress={() => setPutOff(tasks)}>
                {tasks.length === 1 ? 'Put off' : 'Put all off'}
              </Tap>
            )}
          </>
        )}
      </Box>
      {chosen && (
        <ChosenTasks chosen={picked} today={today} onDone={() => setChosen(null)} onPutOff={() => setPutOff(picked)} />
      )}
      <Box role="list">
        {shown.map((task) => (
          <TaskRow
            key={task.blockId}
            task={task}
            today={today}
            {...(chosen && { isChosen: chosen.has(task.blockId), onChoose: () => choose(task.blockId) })}
          />
        ))}
        {jotted.map((jotting) => (
          <JottingRow
            key={jotting.id}
            jotting={jotting}
            today={today}
            onAsk={(asked) => setAsking({ asked, jottings: [jotting] })}
          />
        ))}
      </Box>
      {asking && <JottingSheet {...asking} onClose={() => setAsking(null)} />}
      {(hidden > 0 || older > 0) && (
        <Box look="brought-more">
          {hidden > 0 && (
            <Tap look="task-deed" onPress={() => setOpen(true)}>
              {`${hidden} more`}
            </Tap>
          )}
          {older > 0 && (
            <Tap look="task-deed" onPress={() => (setWhole(true), setOpen(true))}>
              {`${older} older than a month`}
            </Tap>
          )}
        </Box>
      )}
      {putOff && (
        <PutOffSheet
          tasks={putOff}
          onClose={() => {
            setPutOff(null);
            setChosen(null);
          }}
        />
      )}
    </Box>
  );
}
