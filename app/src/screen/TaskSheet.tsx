import { useState } from 'react';
import { PRIORITIES, TASK_STATES, type Priority, type TaskState } from '@glossarion/core/document';
import { addDays } from '@glossarion/core/journal';
import { dueWords, momentText, repeatWords, taskOf, type TaskChange } from '@glossarion/core/tasks';
import type { When } from '@glossarion/core/tasks/phrases';
import { Action } from '../kit/Action';
import { Box } from '../kit/Box';
import { Field } from '../kit/Field';
import { Group } from '../kit/Group';
import { Sheet } from '../kit/Sheet';
import { Tap } from '../kit/Tap';
import { Line } from '../kit/Words';
import { clock, today } from '../state/tasks';
import { prepareReckoning } from '../state/reckoned';
import { dayTyped, useWhenTyped, whenTyped } from '../state/typedDay';

interface TaskSheetProps {
  /** The words of the task. */
  words: string;
  attrs: Readonly<Record<string, unknown>>;
  /** Makes these changes as one. */
  onChange: (...changes: readonly TaskChange[]) => void;
  onClose: () => void;
}

const STATE_WORDS: Record<TaskState, string> = { open: 'Open', begun: 'Begun', done: 'Done', dropped: 'Dropped' };
const PRIORITY_WORDS: Record<Priority, string> = { high: 'High', middle: 'Middle', low: 'Low' };
const REPEATS = ['every day', 'every week', 'every month'];

/** What there is to be said of a task: how far it is, when it is due and for, how it repeats, how much it matters. */
export function TaskSheet({ words, attrs, onChange, onClose }: TaskSheetProps) {
  const task = taskOf(attrs);
  const now = today();
  const forWords =
    task.for === null ? '' : task.for === 'none' ? 'no day' : dueWords({ day: task.for, time: null }, now, clock);
  return (
    <Sheet title={words === '' ? 'This task' : words} onClose={onClose}>
      <Group label="State">
        {TASK_STATES.map((state) => (
          <Choice
            key={state}
            words={STATE_WORDS[state]}
            isOn={task.state === state}
            isFirst={task.state === state}
            onPress={() => onChange({ set: 'state', state, today: now })}
          />
        ))}
        {task.repeat && <Choice words="Skip this time" onPress={() => onChange({ set: 'skipped', today: now })} />}
      </Group>
      <Part label="Due" value={task.due ? dueWords(task.due, now, clock) : ''}>
        <Days
          label="Due"
          none={task.due ? 'No due day' : null}
          onDay={(due) => onChange({ set: 'due', due })}
          onWhen={({ day, time, repeat, isFromDone }) =>
            onChange(
              { set: 'due', due: momentText({ day, time }) },
              ...(repeat ? [{ set: 'repeat' as const, repeat, isFromDone, today: now }] : []),
            )
          }
        />
      </Part>
      <Part label="Put off to" value={forWords}>
        <Days
          label="Put off to"
          isLater
          none="No day"
          onDay={(day) => onChange({ set: 'for', day: day ?? 'none' })}
          onWhen={({ day }) => onChange({ set: 'for', day })}
        />
        {task.for !== null && <Choice words="Where it was" onPress={() => onChange({ set: 'for', day: null })} />}
      </Part>
      <Part label="Repeats" value={repeatWords(task, now)}>
        <Repeats
          isRepeating={task.repeat !== null}
          onRepeat={(repeat, isFromDone) => onChange({ set: 'repeat', repeat, isFromDone, today: now })}
        />
      </Part>
      <Group label="Priority">
        {PRIORITIES.map((priority) => (
          <Choice
            key={priority}
            words={PRIORITY_WORDS[priority]}
            isOn={task.priority === priority}
            onPress={() => onChange({ set: 'priority', priority })}
          />
        ))}
        <Choice
          words="None"
          isOn={task.priority === null}
          onPress={() => onChange({ set: 'priority', priority: null })}
        />
      </Group>
    </Sheet>
  );
}

interface ChoiceProps {
  words: string;
  isOn?: boolean;
  /** Whether it has the focus when it is shown: a field would call up the keyboard. */
  isFirst?: boolean;
  onPress: () => void;
}

function Choice({ words, isOn, isFirst = false, onPress }: ChoiceProps) {
  return (
    <Tap
      look={isOn ? 'picked on' : 'picked'}
      aria-pressed={isOn}
      dataSet={{ firstFocus: isFirst ? '' : undefined }}
      onPress={onPress}
    >
      {words}
    </Tap>
  );
}

function Part({ label, value, children }: { label: string; value: string; children: React.ReactNode }) {
  return <Group label={value === '' ? label : `${label}: ${value}`}>{children}</Group>;
}

interface DaysProps {
  label: string;
  /** Whether only days to come are offered. */
  isLater?: boolean;
  /** What setting no day is called; null when none is set. */
  none: string | null;
  onDay: (day: string | null) => void;
  onWhen: (when: When) => void;
}

/** A day by one tap, or in words. */
export function Days({ label, isLater = false, none, onDay, onWhen }: DaysProps) {
  const now = today();
  return (
    <>
      {!isLater && <Choice words="Today" onPress={() => onDay(now)} />}
      <Choice words="Tomorrow" isFirst={isLater} onPress={() => onDay(addDays(now, 1))} />
      <Choice words="Next week" onPress={() => onDay(dayTyped('next week') ?? addDays(now, 7))} />
      {none && <Choice words={none} onPress={() => onDay(null)} />}
      <InWords label={`${label}, in words`} placeholder="3 March 9:30, next Tuesday" onWhen={onWhen} />
    </>
  );
}

function Repeats({
  isRepeating,
  onRepeat,
}: {
  isRepeating: boolean;
  onRepeat: (repeat: string | null, isFromDone?: boolean) => void;
}) {
  const [typed, setTyped] = useState('');
  const asked = useWhenTyped(typed);
  const take = (when: When | null) => when?.repeat && onRepeat(when.repeat, when.isFromDone);
  return (
    <>
      {REPEATS.map((words) => (
        <RepeatChoice key={words} words={words} onWhen={take} />
      ))}
      {isRepeating && <Choice words="Does not repeat" onPress={() => onRepeat(null)} />}
      <WordsField
        label="Repeats, in words"
        placeholder="every 2 weeks on Friday, 3 days after done"
        typed={typed}
        onType={setTyped}
        read={asked?.repeat ? repeatWords({ repeat: asked.repeat, isFromDone: asked.isFromDone }, today()) : null}
        refusal={/\b(?:hours?|minutes?)\b/iu.test(typed) ? 'A task repeats daily at most.' : null}
        onDone={() => take(asked)}
      />
    </>
  );
}

/** Pressed before the code that reads it is here, it waits for that. */
const RepeatChoice = ({ words, onWhen }: { words: string; onWhen: (when: When | null) => void }) => (
  <Choice words={words} onPress={() => void prepareReckoning().then(() => onWhen(whenTyped(words)))} />
);

/** A day, with its time and repeat, typed in words. */
function InWords({ label, placeholder, onWhen }: { label: string; placeholder: string; onWhen: (when: When) => void }) {
  const [typed, setTyped] = useState('');
  const when = useWhenTyped(typed);
  const read = when
    ? [dueWords(when, today(), clock), repeatWords({ repeat: when.repeat, isFromDone: when.isFromDone }, today())]
        .filter(Boolean)
        .join(', ')
    : null;
  return (
    <WordsField
      label={label}
      placeholder={placeholder}
      typed={typed}
      onType={setTyped}
      read={read}
      refusal={null}
      onDone={() => when && onWhen(when)}
    />
  );
}

interface WordsFieldProps {
  label: string;
  placeholder: string;
  typed: string;
  onType: (typed: string) => void;
  /** What it is read as; null when it is not understood. */
  read: string | null;
  refusal: string | null;
  onDone: () => void;
}

function WordsField({ label, placeholder, typed, onType, read, refusal, onDone }: WordsFieldProps) {
  const take = () => {
    if (read === null) return;
    onDone();
    onType('');
  };
  return (
    <Box look="in-words">
      <Field
        label={label}
        isLabelHidden
        hasTrouble={false}
        placeholder={placeholder}
        value={typed}
        onChangeText={onType}
        onSubmitEditing={take}
        submitBehavior="submit"
        autoCapitalize="none"
        autoCorrect={false}
      />
      <Line look="in-words-read" role="status">
        {typed.trim() === '' ? '' : (refusal ?? read ?? 'No day is understood yet.')}
      </Line>
      {read !== null && typed.trim() !== '' && <Action label={`Set ${read}`} onPress={take} />}
    </Box>
  );
}
