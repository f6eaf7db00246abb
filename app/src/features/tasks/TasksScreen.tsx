import { useLocalSearchParams } from 'expo-router';
import { memo, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import {
  GATHERINGS,
  type DayGroup,
  type Gathering,
  type ShownTask,
  type TaskGroup,
  type TaskList,
} from '@glossarion/core/tasks';
import { Box } from '../../kit/Box';
import { Empty } from '../../kit/Empty';
import { Loading } from '../../kit/Loading';
import { Tap } from '../../kit/Tap';
import { Way } from '../../kit/Way';
import { Heading, Line, Said } from '../../kit/Words';
import { later } from '../../kit/later';
import { addressOf, open } from '../../screen/navigation';
import { Screen } from '../../screen/Screen';
import { useTitle } from '../../screen/useTitle';
import { useToday } from '../../screen/useToday';
import { useEntryQuery, useTasksQuery, type TaskWish } from '../../state/api';
import { ChosenTasks, toggled, type ChosenIds } from './ChosenTasks';
import { TaskRow } from './TaskRow';

const PutOffSheet = later(async () => (await import('./PutOffSheet')).PutOffSheet, true);

const AT_A_TIME = 30;

const DAY_WORDS: Record<DayGroup, string> = {
  overdue: 'Overdue',
  today: 'Today',
  coming: 'The coming days',
  later: 'For later',
  none: 'No day',
  done: 'Done lately',
};
const BY_WORDS: Record<Gathering, string> = { day: 'By day', page: 'By page', notebook: 'By notebook', tag: 'By tag' };
const NONE_WORDS: Record<Gathering, string> = { day: '', page: '', notebook: 'Days', tag: 'Without a tag' };
const ONLY_WORDS = { repeat: 'That repeat', putOff: 'Put off more than twice' };
const WHERE_WORDS = { here: 'On', beneath: 'Beneath', linking: 'Elsewhere, with a link to' };

const nameOf = ({ key, target }: TaskGroup, by: Gathering): string =>
  by === 'day' ? DAY_WORDS[key as DayGroup] : (target?.title ?? NONE_WORDS[by]);

/** All tasks, by day or by where they stand; of one page, when the address says so. */
export function TasksScreen() {
  const today = useToday();
  const asked = useLocalSearchParams<{ of?: string; where?: TaskWish['where'] }>();
  const [by, setBy] = useState<Gathering>('day');
  const [group, setGroup] = useState<string | null>(null);
  const [only, setOnly] = useState<TaskWish['only']>(undefined);
  const [pieces, setPieces] = useState(1);
  const [chosen, setChosen] = useState<ChosenIds>(null);
  const [putOff, setPutOff] = useState(false);
  /** What has come, by where it begins. */
  const come = useRef(new Map<number, TaskList>());
  const [, drawAgain] = useState(0);
  const wish = useMemo(
    () => ({ today, by, ...(group !== null && { group }), only, of: asked.of, where: asked.where, limit: AT_A_TIME }),
    [today, by, group, only, asked.of, asked.where],
  );
  useEffect(() => {
    come.current.clear();
    setPieces(1);
  }, [wish]);
  const { data: first } = useTasksQuery({ ...wish, from: 0 });
  const { data: page } = useEntryQuery(asked.of ?? '', { skip: !asked.of });
  useTitle('Tasks');
  const all = [...come.current.values()].flatMap(({ tasks }) => tasks);
  const picked = chosen ? all.filter(({ blockId }) => chosen.has(blockId)) : [];
  // The same ones as long as the list is: what was drawn is not drawn again with each piece that comes.
  const choosing = useCallback((id: string) => setChosen((before) => toggled(before, id)), []);
  const askNext = useCallback(() => setPieces((count) => count + 1), []);
  const noteCome = useCallback((from: number, list: TaskList) => {
    if (come.current.get(from) === list) return;
    come.current.set(from, list);
    drawAgain((count) => count + 1);
  }, []);
  const choose = (next: Gathering) => {
    setBy(next);
    setGroup(null);
  };
  return (
    <Screen label="Tasks">
      <Box look="tasks">
        <Box look="brought-head tasks-head">
          <Heading level={1}>Tasks</Heading>
          <Tap look="task-deed" onPress={() => setChosen(chosen ? null : new Set())}>
            {chosen ? 'Leave' : 'Choose'}
          </Tap>
        </Box>
        {asked.of && page && (
          <Line look="tasks-of">
            {WHERE_WORDS[asked.where ?? 'here']}{' '}
            <Way to={`/p/${asked.of}`} onOpen={() => open(`/p/${asked.of}`)}>
              <Said dir="auto">{page.title}</Said>
            </Way>
          </Line>
        )}
        <Box look="tasks-ways" role="group" aria-label="Gathered">
          {GATHERINGS.map((each) => (
            <Tap
              key={each}
              look={each === by ? 'picked on' : 'picked'}
              aria-pressed={each === by}
              onPress={() => choose(each)}
            >
              {BY_WORDS[each]}
            </Tap>
          ))}
          {(Object.keys(ONLY_WORDS) as (keyof typeof ONLY_WORDS)[]).map((each) => (
            <Tap
              key={each}
              look={each === only ? 'picked on' : 'picked'}
              aria-pressed={each === only}
              onPress={() => setOnly(each === only ? undefined : each)}
            >
              {ONLY_WORDS[each]}
            </Tap>
          ))}
        </Box>
        {first && first.groups.length > 0 && (
          <Box look="tasks-ways" role="group" aria-label="Groups">
            {first.groups.map((each) => (
              <Tap
                key={each.key}
                look={each.key === group ? 'picked on' : 'picked'}
                aria-pressed={each.key === group}
                onPress={() => setGroup(each.key === group ? null : each.key)}
              >
                {`${nameOf(each, by)} ${each.count}`}
              </Tap>
            ))}
          </Box>
        )}
        {chosen && (
          <ChosenTasks chosen={picked} today={today} onDone={() => setChosen(null)} onPutOff={() => setPutOff(true)} />
        )}
        {first?.count === 0 && (
          <Empty>No task is open. A line that begins with [] is one, on any page and any day.</Empty>
        )}
        {Array.from({ length: pieces }, (_each, index) => (
          <Piece
            key={index}
            wish={wish}
            from={index * AT_A_TIME}
            by={by}
            before={come.current.get((index - 1) * AT_A_TIME)?.tasks.at(-1)?.group ?? null}
            chosen={chosen}
            onChoose={choosing}
            onCome={noteCome}
            onEnd={index === pieces - 1 ? askNext : null}
          />
        ))}
        {putOff && picked.length > 0 && (
          <PutOffSheet
            tasks={picked}
            onClose={() => {
              setPutOff(false);
              setChosen(null);
            }}
          />
        )}
      </Box>
    </Screen>
  );
}

interface PieceProps {
  wish: Omit<TaskWish, 'from'>;
  /** How many tasks come before it. */
  from: number;
  by: Gathering;
  /** The group that the piece before ends with. */
  before: string | null;
  chosen: ChosenIds;
  onChoose: (id: string) => void;
  onCome: (from: number, list: TaskList) => void;
  /** Called when its end comes near and there is more; null when the next piece is asked for already. */
  onEnd: (() => void) | null;
}

/** Some of the tasks; when their end comes near the next are asked for. */
const Piece = memo(function Piece({ wish, from, by, before, chosen, onChoose, onCome, onEnd }: PieceProps) {
  const { data: come } = useTasksQuery({ ...wish, from });
  // Drawn bit by bit between frames, so that scrolling goes on meanwhile.
  const data = useDeferredValue(come);
  const end = useRef<HTMLElement>(null);
  const told = useRef({ onCome, onEnd });
  told.current = { onCome, onEnd };
  useEffect(() => {
    if (data) told.current.onCome(from, data);
  }, [data, from]);
  const isLast = !data || from + data.tasks.length >= data.count;
  const hasNext = onEnd === null;
  useEffect(() => {
    if (!end.current || isLast || hasNext) return;
    const observer = new IntersectionObserver(([entry]) => entry?.isIntersecting && told.current.onEnd?.(), {
      root: document.getElementById('main'),
      rootMargin: '1200px',
    });
    observer.observe(end.current);
    return () => observer.disconnect();
  }, [isLast, hasNext]);
  if (!data) return <Loading />;
  const groups = new Map(data.groups.map((each) => [each.key, each]));
  return (
    <>
      {runs(data.tasks).map(({ key, tasks }, index) => (
        <Box key={`${key} ${index}`}>
          {(index > 0 || key !== before) && groups.has(key) && <Head group={groups.get(key)!} by={by} />}
          <Box role="list">
            {tasks.map((task) => (
              <TaskRow
                key={task.blockId}
                task={task}
                today={wish.today}
                {...(chosen && { isChosen: chosen.has(task.blockId), onChoose: () => onChoose(task.blockId) })}
              />
            ))}
          </Box>
        </Box>
      ))}
      <Box ref={end} />
    </>
  );
});

function Head({ group, by }: { group: TaskGroup; by: Gathering }) {
  const words = nameOf(group, by);
  const { target } = group;
  return (
    <Heading level={2} look={group.key === 'overdue' ? 'tasks-group overdue' : 'tasks-group'}>
      {target && target.kind !== 'tag' ? (
        <Way to={addressOf(target)} onOpen={() => open(addressOf(target))}>
          <Said dir="auto">{words}</Said>
        </Way>
      ) : (
        words
      )}{' '}
      <Said look="tasks-count">{group.count}</Said>
    </Heading>
  );
}

/** Tasks of one group after another. */
function runs(tasks: TaskList['tasks']): { key: string; tasks: ShownTask[] }[] {
  const found: { key: string; tasks: ShownTask[] }[] = [];
  for (const task of tasks) {
    const last = found.at(-1);
    if (last?.key === task.group) last.tasks.push(task);
    else found.push({ key: task.group, tasks: [task] });
  }
  return found;
}
