import type { DayDate } from '../calendar';
import type { TaskFact } from '../document/facts';
import { standsFrom } from './brought';
import { taskOf, type Done } from './task';
import { MAX_DONE_DAYS } from '../document/kinds';

/**
 * Something that happened to a task: it was done or dropped, put off from the day it was for to a later one, or moved to
 * another otherwise. A move the other way round from the last takes that back (movedAgain).
 */
export interface TaskHappening {
  what: 'done' | 'dropped' | 'putOff' | 'moved';
  blockId: string;
  /** The day on which it happened; where it is taken back, null when any will do. */
  day: DayDate | null;
  /**
   * What was done: the day it was due. What was moved: the time of a repeating task, by the day it is due, and empty for
   * any other. A task is dropped as a whole: empty.
   */
  occurrence: string;
  /** What it was put off or moved from and to, as the line says it; empty for no day. */
  fromDay: string;
  toDay: string;
}

export interface Happened {
  added: TaskHappening[];
  /** What is taken back: it did not happen, or not any more. */
  gone: TaskHappening[];
}

interface Context {
  /** The day it is where the person is. */
  today: DayDate;
  /** The day whose page it is; null for any other. */
  writtenOn: DayDate | null;
  /** Whether a line is still in the text, whatever it is. */
  isThere: (blockId: string) => boolean;
}

const read = (fact: TaskFact) =>
  taskOf({ state: fact.state, due: fact.due, for: fact.forDay, repeat: fact.repeat, doneOn: fact.doneOn });

type Read = ReturnType<typeof read>;

const of = (what: TaskHappening['what'], blockId: string, day: DayDate | null, occurrence: string): TaskHappening => ({
  what,
  blockId,
  day,
  occurrence,
  fromDay: '',
  toDay: '',
});

/** Which time of a task a thing happened to: the day a repeating one was due. */
const timeOf = ({ repeat, due }: Read): string => (repeat === null ? '' : (due?.day ?? ''));

const keyOf = ({ day, due }: Done): string => `${day}/${due}`;

/** What one list of days has that the other lacks. */
const lacking = (days: readonly Done[], other: readonly Done[]): Done[] => {
  const present = new Set(other.map(keyOf));
  return days.filter((each) => !present.has(keyOf(each)));
};

/**
 * What happened to the tasks of a body between two moments, by what their lines say. A line that is not in the text any
 * more may stand elsewhere, or come back: nothing is said of it.
 */
export function happenedBetween(
  before: readonly TaskFact[],
  after: readonly TaskFact[],
  { today, writtenOn, isThere }: Context,
): Happened {
  const happened: Happened = { added: [], gone: [] };
  const earlier = new Map(before.map((fact) => [fact.blockId, fact]));
  const later = new Map(after.map((fact) => [fact.blockId, fact]));
  for (const [blockId, fact] of later) {
    const was = earlier.get(blockId);
    if (was && isSame(was, fact)) continue;
    const now = read(fact);
    const then = was ? read(was) : null;
    for (const { day, due } of lacking(now.doneOn, then?.doneOn ?? [])) {
      happened.added.push(of('done', blockId, day, due));
    }
    if (then) between(blockId, then, now, { today, writtenOn }, happened);
  }
  for (const [blockId, fact] of earlier) {
    if (later.has(blockId) || !isThere(blockId)) continue;
    takeBackAll(blockId, read(fact), happened);
  }
  return happened;
}

const isSame = (one: TaskFact, other: TaskFact): boolean =>
  one.state === other.state &&
  one.due === other.due &&
  one.forDay === other.forDay &&
  one.repeat === other.repeat &&
  one.doneOn === other.doneOn;

function between(
  blockId: string,
  then: Read,
  now: Read,
  { today, writtenOn }: Omit<Context, 'isThere'>,
  { added, gone }: Happened,
): void {
  for (const { day, due } of lacking(then.doneOn, now.doneOn)) {
    // A full list lets go of its oldest day: it was done then all the same.
    if (then.doneOn.length === MAX_DONE_DAYS && now.doneOn.length === MAX_DONE_DAYS) continue;
    gone.push(of('done', blockId, day, due));
  }
  if (then.state !== 'dropped' && now.state === 'dropped') {
    added.push(of('dropped', blockId, today, ''));
  }
  if (then.state === 'dropped' && now.state !== 'dropped') {
    gone.push(of('dropped', blockId, null, ''));
  }
  if (then.for === now.for || timeOf(then) !== timeOf(now)) return;
  const what = isPutOff(then, now, today, writtenOn) ? 'putOff' : 'moved';
  added.push({ ...of(what, blockId, today, timeOf(now)), fromDay: then.for ?? '', toDay: now.for ?? '' });
}

/** Whether a task that stood before somebody, or was to, comes later than that. */
function isPutOff(then: Read, now: Read, today: DayDate, writtenOn: DayDate | null): boolean {
  const from = standsFrom({ ...then, due: then.due?.day ?? null, writtenOn }, today);
  if (from === null || now.for === null) return false;
  return now.for === 'none' || now.for > (from < today ? today : from);
}

/** A line that is no task any more: what was said of it did not happen to a task. */
function takeBackAll(blockId: string, task: Read, { gone }: Happened): void {
  for (const { day, due } of task.doneOn) gone.push(of('done', blockId, day, due));
  if (task.state === 'dropped') gone.push(of('dropped', blockId, null, ''));
}

/** What moves a task from the day that it is for to another. */
export const MOVES = ['putOff', 'moved'] as const;

/** A move that is noted; one that was taken back stays, to be the same when it is made again. */
export interface NotedMove extends Pick<TaskHappening, 'day' | 'fromDay' | 'toDay'> {
  isTakenBack: boolean;
}

/**
 * What a move of a task does to those noted of the same time of it, latest last: the index of the one that it takes back,
 * or of the one of that day that it makes again; null when it is new.
 */
export function movedAgain(
  noted: readonly NotedMove[],
  { day, fromDay, toDay }: Pick<TaskHappening, 'day' | 'fromDay' | 'toDay'>,
): { takesBack: number } | { makesAgain: number } | null {
  const last = noted.findLastIndex(({ isTakenBack }) => !isTakenBack);
  if (last >= 0 && noted[last]!.toDay === fromDay && noted[last]!.fromDay === toDay) return { takesBack: last };
  const again = noted.findLastIndex(
    (each) => each.isTakenBack && each.day === day && each.fromDay === fromDay && each.toDay === toDay,
  );
  return again >= 0 ? { makesAgain: again } : null;
}
