import { useRef, type KeyboardEvent } from 'react';
import { trayPartOf, type Jotting } from '@glossarion/core/tray';
import { BodyView } from '../../editor';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { useSwipeAcross } from '../../kit/useSwipeAcross';
import { Way } from '../../kit/Way';
import { Line, Said } from '../../kit/Words';
import { followLink } from '../../screen/followLink';
import { open } from '../../screen/navigation';
import { setTask, ticking } from '../../state/tasks';
import { jottingSaid, jottingTitle } from './jottingWords';
import { keepForGood, throwAway } from './trayActs';

/** What is asked for by a sheet before it is done. */
export type Asked = 'file' | 'page' | 'back';

/** What is asked of which jottings. */
export interface Asking {
  asked: Asked;
  jottings: readonly Jotting[];
}

interface JottingRowProps {
  jotting: Jotting;
  today: string;
  /** Asks where or when; for this one alone. */
  onAsk: (asked: Asked) => void;
  /** Whether it is chosen among others; undefined while none are being chosen. */
  isChosen?: boolean;
  onChoose?: () => void;
  /** Whether it waits in this browser for the network: until then nothing can be done with it. */
  isOnlyHere?: boolean;
}

/** A jotting with what can be done with it: by taps, by swipe on a phone, and by keys while it has the focus. */
export function JottingRow({ jotting, today, onAsk, isChosen, onChoose, isOnlyHere = false }: JottingRowProps) {
  const row = useRef<HTMLElement>(null);
  const title = jottingTitle(jotting);
  const isKept = trayPartOf(jotting, today) === 'kept';
  const isChoosing = isChosen !== undefined;
  useSwipeAcross(row, (by) => {
    if (isOnlyHere || isChoosing) return;
    if (by === 1) void throwAway([jotting]);
    else onAsk('file');
  });
  const deeds: { words: string; label: string; key: string; act: () => unknown }[] = [
    { words: 'File', label: 'File', key: 's', act: () => onAsk('file') },
    { words: 'Make a page', label: 'Make a page of', key: 'x', act: () => onAsk('page') },
    { words: 'Come back', label: 'Set a day to come back for', key: 'e', act: () => onAsk('back') },
    {
      words: isKept ? 'Wait again' : 'Keep',
      label: isKept ? 'Let wait again' : 'Keep',
      key: 'a',
      act: () => keepForGood([jotting], !isKept),
    },
    { words: 'Throw away', label: 'Throw away', key: 'Delete', act: () => throwAway([jotting]) },
  ];
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.target !== row.current || event.altKey || event.ctrlKey || event.metaKey || isOnlyHere) return;
    const act = event.key === ' ' ? onChoose : deeds.find(({ key }) => key === event.key)?.act;
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (!act && !by) return;
    event.preventDefault();
    event.stopPropagation();
    if (act) void act();
    else focusRow(row.current, by!);
  };
  return (
    <Box
      ref={row}
      role="listitem"
      look="jotting"
      tabIndex={0}
      aria-label={title}
      dataSet={{ jotting: jotting.id, chosen: isChosen ? '' : undefined }}
      onKeyDown={onKeyDown}
    >
      <Box look="jotting-line">
        {isChoosing && onChoose && (
          <Tap
            look="task-choose"
            role="checkbox"
            aria-checked={isChosen}
            aria-label={`Choose ${title}`}
            onPress={onChoose}
          />
        )}
        <Box look="jotting-words" onClick={followLink}>
          <BodyView content={jotting.nodes} onTick={(node) => void setTask(jotting.id, node, ticking(node))} />
        </Box>
      </Box>
      <Box look="jotting-foot">
        {isOnlyHere ? (
          <Said look="task-from">Kept in this browser; it goes to the Tray once there is a network.</Said>
        ) : (
          <Line look="task-words jotting-origin">
            <Way look="task-from" to={`/p/${jotting.id}`} onOpen={() => open(`/p/${jotting.id}`)}>
              {jottingSaid(jotting, today)}
            </Way>
          </Line>
        )}
        {!isChoosing && !isOnlyHere && (
          <Box look="jotting-deeds">
            {deeds.map(({ words, label, act }) => (
              <Tap key={words} look="task-deed" aria-label={`${label}: ${title}`} onPress={() => void act()}>
                {words}
              </Tap>
            ))}
          </Box>
        )}
      </Box>
    </Box>
  );
}

/** Gives the focus to the jotting before or after one. */
function focusRow(from: HTMLElement | null, by: number): void {
  const rows = [...document.querySelectorAll<HTMLElement>('[data-jotting]')];
  rows[rows.indexOf(from!) + by]?.focus();
}
