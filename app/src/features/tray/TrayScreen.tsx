import { useState } from 'react';
import { trayPartOf, type Jotting, type TrayPart } from '@glossarion/core/tray';
import { Action } from '../../kit/Action';
import { Box } from '../../kit/Box';
import { count } from '../../kit/count';
import { DeedBar } from '../../kit/DeedBar';
import { Empty } from '../../kit/Empty';
import { Loading } from '../../kit/Loading';
import { Tap } from '../../kit/Tap';
import { Heading, Line, Said } from '../../kit/Words';
import { Screen } from '../../screen/Screen';
import { useTitle } from '../../screen/useTitle';
import { useToday } from '../../screen/useToday';
import { useTrayQuery } from '../../state/api';
import { useWaitingJottings } from '../../state/jottings';
import { useAppDispatch } from '../../state/store';
import { sheetOpened } from '../../state/view';
import { JottingRow, type Asked, type Asking } from './JottingRow';
import { JottingSheet } from './JottingSheets';
import { keepForGood, throwAway } from './trayActs';

const PARTS: Record<TrayPart, string> = { waiting: 'Waiting', comingBack: 'To come back', kept: 'Kept' };
const partNames = Object.keys(PARTS) as TrayPart[];

/** The Tray: what was jotted down and is filed nowhere yet, first come first. */
export function TrayScreen() {
  const today = useToday();
  const { data, isError } = useTrayQuery();
  const here = useWaitingJottings();
  const [chosen, setChosen] = useState<ReadonlySet<string> | null>(null);
  const [asking, setAsking] = useState<Asking | null>(null);
  useTitle('Tray');
  const arrived = data?.jottings ?? [];
  const known = new Set(arrived.map(({ id }) => id));
  const onlyHere = here.filter(({ id }) => !known.has(id));
  const all = [...arrived, ...onlyHere];
  const picked = chosen ? arrived.filter(({ id }) => chosen.has(id)) : [];
  const choose = (id: string) => {
    const next = new Set(chosen ?? []);
    if (!next.delete(id)) next.add(id);
    setChosen(next);
  };
  return (
    <Screen label="Tray">
      <Box look="tasks tray">
        <Box look="brought-head tasks-head">
          <Heading level={1}>Tray</Heading>
          {arrived.length > 1 && (
            <Tap look="task-deed" onPress={() => setChosen(chosen ? null : new Set())}>
              {chosen ? 'Leave' : 'Choose'}
            </Tap>
          )}
        </Box>
        {chosen && (
          <Chosen
            chosen={picked}
            onDone={() => setChosen(null)}
            onAsk={(asked) => setAsking({ asked, jottings: picked })}
          />
        )}
        {!data && !isError && here.length === 0 && <Loading />}
        {isError && !data && (
          <Empty>The Tray can’t be reached without network. What you jot down is kept here meanwhile.</Empty>
        )}
        {data && all.length === 0 && <NothingYet />}
        {partNames.map((part) => {
          const shown = all.filter((each) => trayPartOf(each, today) === part);
          if (shown.length === 0) return null;
          return (
            <Box key={part} role="region" aria-label={PARTS[part]}>
              <Heading level={2} look="tasks-group">
                {PARTS[part]} <Said look="tasks-count">{shown.length}</Said>
              </Heading>
              <Box role="list">
                {shown.map((jotting) => (
                  <JottingRow
                    key={jotting.id}
                    jotting={jotting}
                    today={today}
                    isOnlyHere={!known.has(jotting.id)}
                    isChosen={chosen ? chosen.has(jotting.id) : undefined}
                    onChoose={() => choose(jotting.id)}
                    onAsk={(asked) => setAsking({ asked, jottings: [jotting] })}
                  />
                ))}
              </Box>
            </Box>
          );
        })}
        {data && data.more > 0 && (
          <Line look="task-from">{`${count(data.more, 'more jotting')} come when these are filed.`}</Line>
        )}
        {arrived.length > 0 && <Line look="tray-hint">Swiped right a jotting is filed, swiped left thrown away.</Line>}
        {asking && (
          <JottingSheet
            {...asking}
            onClose={() => {
              setAsking(null);
              setChosen(null);
            }}
          />
        )}
      </Box>
    </Screen>
  );
}

function NothingYet() {
  const dispatch = useAppDispatch();
  return (
    <>
      <Empty>
        A stray thought waits here until you find its place. Jot is at hand on every screen, with or without network.
      </Empty>
      <Action label="Jot something down" onPress={() => dispatch(sheetOpened({ for: 'jot' }))} />
    </>
  );
}

interface ChosenProps {
  chosen: readonly Jotting[];
  onAsk: (asked: Asked) => void;
  onDone: () => void;
}

/** What is done with several jottings together. */
function Chosen({ chosen, onAsk, onDone }: ChosenProps) {
  const after = (act: (jottings: readonly Jotting[]) => unknown) => () => {
    void act(chosen);
    onDone();
  };
  const deeds: [words: string, act: () => void][] = [
    ['File', () => onAsk('file')],
    ['Make pages', () => onAsk('page')],
    ['Come back', () => onAsk('back')],
    ['Keep', after((jottings) => keepForGood(jottings, true))],
    ['Throw away', after(throwAway)],
  ];
  return <DeedBar label="Of those chosen" deeds={deeds} isDisabled={chosen.length === 0} />;
}
