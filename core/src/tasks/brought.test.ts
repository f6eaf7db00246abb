import fc from 'fast-check';
import { addDays } from '../calendar';
import type { TaskFact } from '../document/facts';
import { isBroughtForward, isComing, standsFrom, type Standing } from './brought';
import { changedTask } from './changes';
import { happenedBetween, movedAgain, type TaskHappening } from './happenings';
import { dayGroup, inOrder, type ListedTask } from './list';
import { taskOf } from './task';
import type { TaskChange } from './taskChange';

const TODAY = '2026-11-26';
const day = fc.integer({ min: -40, max: 40 }).map((days) => addDays(TODAY, days));

const standing: fc.Arbitrary<Standing> = fc.record({
  state: fc.constantFrom('open', 'begun', 'done', 'dropped'),
  for: fc.option(fc.oneof(day, fc.constant('none' as const))),
  due: fc.option(day),
  writtenOn: fc.option(day),
});

test('T2 nothing is brought forward before the day that it is for, twice, or lost on the way', () => {
  fc.assert(
    fc.property(standing, (task) => {
      const days = Array.from({ length: 100 }, (_each, index) => addDays(TODAY, index - 50));
      const broughtOn = days.filter((today) => isBroughtForward(task, today));
      if (task.state === 'done' || task.state === 'dropped' || task.for === 'none')
        return expect(broughtOn).toEqual([]);
      // Before the day that it is for it stands nowhere.
      if (task.for !== null) expect(broughtOn.every((today) => today >= task.for!)).toBe(true);
      // On the page it was written on it stands by itself; after that it is brought forward for ever.
      const first = task.for ?? [task.due, task.writtenOn && addDays(task.writtenOn, 1)].filter(Boolean).sort()[0];
      const expected = first ? days.filter((today) => today >= first && today !== task.writtenOn) : [];
      expect(broughtOn).toEqual(expected);
      // What is to come is not brought forward as well.
      for (const today of days) {
        const isLater = (other: string) => other > today && isComing(task, other);
        if (task.for !== null && isBroughtForward(task, today))
          expect(days.filter(isLater).every((each) => each === task.due)).toBe(true);
        const from = standsFrom(task, today);
        if (from !== null && from <= today)
          expect(isBroughtForward(task, today) || task.writtenOn === today).toBe(true);
      }
    }),
  );
});

test('T3 every open task is in one group of the list, in the order of its day', () => {
  const listed: fc.Arbitrary<ListedTask> = fc
    .tuple(standing, fc.option(fc.constantFrom('high', 'low')), fc.nat(9))
    .map(([{ for: forDay, due, writtenOn }, priority, position]) => ({
      blockId: 'b',
      pageId: 'p',
      for: forDay,
      due,
      writtenOn,
      priority: priority as 'high' | 'low' | null,
      position,
      doneOn: null,
    }));
  fc.assert(
    fc.property(fc.array(listed, { maxLength: 12 }), (tasks) => {
      for (const task of tasks) {
        const group = dayGroup(task, TODAY);
        const stands = isBroughtForward({ ...task, state: 'open' }, TODAY) || task.writtenOn === TODAY;
        if (group === 'overdue') expect(task.due! < TODAY).toBe(true);
        // The list goes by the day it is due; what was left of an earlier day stands on today until then as well.
        const isDueLater = task.for === null && task.due !== null && task.due > TODAY;
        if (!isDueLater && (group === 'later' || group === 'coming' || group === 'none'))
          expect(stands && task.writtenOn !== TODAY).toBe(false);
      }
      const sorted = [...tasks].sort(inOrder);
      for (const [index, task] of sorted.entries()) {
        if (index > 0) expect(inOrder(sorted[index - 1]!, task)).toBeLessThanOrEqual(0);
      }
    }),
  );
});

const change: fc.Arbitrary<TaskChange> = fc.oneof(
  fc
    .tuple(fc.constantFrom('open', 'begun', 'done', 'dropped' as const), day)
    .map(([state, today]) => ({ set: 'state' as const, state: state as 'open', today })),
  fc.option(fc.oneof(day, fc.constant('none'))).map((forDay) => ({ set: 'for' as const, day: forDay })),
  day.map((due) => ({ set: 'due' as const, due })),
  fc.constantFrom('FREQ=DAILY', null).map((repeat) => ({ set: 'repeat' as const, repeat, today: TODAY })),
);

const factOf = (attrs: Record<string, string | null>): TaskFact => ({
  blockId: 'b',
  state: (attrs.state ?? 'open') as 'open',
  priority: null,
  due: attrs.due ?? null,
  forDay: attrs.for ?? null,
  repeat: attrs.repeat ?? null,
  doneOn: attrs.doneOn ?? null,
  within: null,
});

type Noted = TaskHappening & { isTakenBack: boolean };
const isMove = ({ what }: TaskHappening) => what === 'putOff' || what === 'moved';

/** What is noted of a task, as a store keeps it. */
function noted(rows: readonly Noted[], before: TaskFact[], after: TaskFact[], today: string): Noted[] {
  const { added, gone } = happenedBetween(before, after, { today, writtenOn: null, isThere: () => true });
  let next = [...rows];
  for (const { what, occurrence, day: on } of gone) {
    const fits = (row: Noted) => row.what === what && row.occurrence === occurrence && (on === null || row.day === on);
    const last = next.findLast(fits);
    next = next.filter((row) => row !== last);
  }
  for (const each of added) {
    if (!isMove(each)) {
      if (!next.some((row) => row.what === each.what && row.day === each.day && row.occurrence === each.occurrence)) {
        next.push({ ...each, isTakenBack: false });
      }
      continue;
    }
    const moves = next.filter((row) => isMove(row) && row.occurrence === each.occurrence);
    const again = movedAgain(moves, each);
    if (!again) next.push({ ...each, isTakenBack: false });
    else {
      const row = moves['takesBack' in again ? again.takesBack : again.makesAgain]!;
      next = next.map((other) => (other === row ? { ...row, isTakenBack: 'takesBack' in again } : other));
    }
  }
  return next;
}

const sorted = (rows: readonly Noted[]): string[] =>
  rows
    .filter(({ isTakenBack }) => !isTakenBack)
    .map((row) => JSON.stringify(row))
    .sort();

test('what happened agrees with what the line says after any changes, and all of it is taken back', () => {
  fc.assert(
    fc.property(fc.array(change, { maxLength: 10 }), (changes) => {
      const lines: Record<string, string | null>[] = [{}];
      const happened: Noted[][] = [[]];
      for (const each of changes) {
        const before = lines.at(-1)!;
        const after = { ...before, ...changedTask(before, each) };
        lines.push(after);
        happened.push(noted(happened.at(-1)!, [factOf(before)], [factOf(after)], TODAY));
        const task = taskOf(after);
        const done = happened.at(-1)!.filter(({ what }) => what === 'done');
        expect(new Set(done.map((row) => `${row.day}/${row.occurrence}`))).toEqual(
          new Set(task.doneOn.map(({ day: on, due }) => `${on}/${due}`)),
        );
        expect(happened.at(-1)!.some(({ what }) => what === 'dropped')).toBe(task.state === 'dropped');
      }
      for (let index = lines.length - 1; index > 0; index -= 1) {
        const back = noted(happened[index]!, [factOf(lines[index]!)], [factOf(lines[index - 1]!)], TODAY);
        // In whatever order.
        expect(sorted(back)).toEqual(sorted(happened[index - 1]!));
        happened[index - 1] = back;
      }
    }),
  );
});
