import { doAgain, takeBack } from '../../state/deeds';
import { useContext, useState } from 'react';
import { View } from 'react-native';
import {
  arrangementFor,
  DESK_LINES,
  DESK_SIZES,
  movePart,
  type ArrangedPart,
  type DeskArrangement,
  type DeskPart,
  type Desk as DeskInfo,
} from '@glossarion/core/desk';
import { useDeskQuery, useSetMutation, useSettingsQuery } from '../../state/api';
import { useAppDispatch } from '../../state/store';
import { sheetOpened } from '../../state/view';
import { useWindowWidth } from '../../theme/rem';
import { colour, measure } from '../../theme/tokens';
import { AccountContext } from '../../state/AccountContext';
import { Action } from '../../kit/Action';
import { around } from '../../kit/later';
import { open } from '../../screen/navigation';
import { kindPart } from '../kinds/kindPart';
import { Screen } from '../../screen/Screen';
import { useTitle } from '../../screen/useTitle';
import { Heading, Words } from '../../kit/Words';
import { DeskSearches } from './DeskSearches';
import { DeskForgotten, DeskPins, DeskTargets, DeskTasks, DeskUnwritten } from './deskParts';
import { Box } from '../../kit/Box';

const KindsOffer = around(kindPart('KindsOffer'));
const DeskTray = around(async () => (await import('../tray/part')).DeskTray);

const NAMES: Record<DeskPart, string> = {
  pins: 'Pins',
  due: 'Due and brought forward',
  tray: 'Tray',
  recent: 'Opened lately',
  tasks: 'Open tasks',
  forgotten: 'What may be forgotten',
  week: 'Worked on this week',
  searches: 'Saved searches',
  unwritten: 'Linked, not yet written',
};

/** How each part shows what it has. */
const SHOW: Record<DeskPart, (desk: DeskInfo, lines: number, isArranging: boolean) => React.ReactNode> = {
  pins: ({ pins }, lines, isArranging) => <DeskPins pins={pins.slice(0, lines)} isArranging={isArranging} />,
  recent: ({ recent }, lines) => (
    <DeskTargets targets={recent.slice(0, lines)} emptyWords="The pages you open come to stand here." />
  ),
  due: ({ due }, lines) => <DeskTasks tasks={due.slice(0, lines)} emptyWords="Nothing is due, and nothing was left." />,
  tray: ({ tray, waiting }, lines) => <DeskTray jottings={tray.slice(0, lines)} waiting={waiting} />,
  tasks: ({ tasks }, lines) => <DeskTasks tasks={tasks.slice(0, lines)} emptyWords="No task is open." />,
  forgotten: ({ forgotten }, lines) => <DeskForgotten forgotten={forgotten.slice(0, lines)} />,
  week: ({ week }, lines) => (
    <DeskTargets targets={week.slice(0, lines)} emptyWords="What you write this week comes to stand here." />
  ),
  searches: (_desk, lines) => <DeskSearches lines={lines} />,
  unwritten: ({ unwritten }, lines) => <DeskUnwritten unwritten={unwritten.slice(0, lines)} />,
};

/** The first screen: what is at hand, arranged by the person, on a phone and on a wide screen each in its way. */
export function DeskScreen() {
  const { data: desk } = useDeskQuery();
  const { data: settings } = useSettingsQuery();
  const { name } = useContext(AccountContext);
  const width = useWindowWidth();
  const [isArranging, setArranging] = useState(false);
  const [set] = useSetMutation();
  const screen = width < measure.wide ? 'phone' : 'wide';
  const arrangement = arrangementFor(screen, settings?.desk);
  useTitle('Desk');

  const arrange = (next: DeskArrangement) => {
    const present = settings?.desk ?? { phone: null, wide: null };
    void set({ key: 'desk', value: { ...present, [screen]: next } });
  };

  return (
    <Screen label="Desk" tone={colour.ground}>
      <View style={{ paddingHorizontal: 20, paddingTop: 18, maxWidth: 1000 }}>
        <View style={{ flexDirection: 'row', alignItems: 'baseline', columnGap: 14, flexWrap: 'wrap' }}>
          <Words face="writing" size={30} line={36} weight="700" role="heading" aria-level={1}>
            Desk
          </Words>
          <Words tone={colour.soft} style={{ flex: 1 }}>
            {name}
          </Words>
          <Action label={isArranging ? 'Done' : 'Arrange'} onPress={() => setArranging(!isArranging)} />
        </View>
        {isArranging && settings?.desk?.[screen] && (
          <Action
            label={screen === 'phone' ? 'As on a wide screen' : 'As on a phone'}
            tone={colour.soft}
            onPress={() => void set({ key: 'desk', value: { ...settings.desk, [screen]: null } })}
          />
        )}
        {desk && (
          <Box look="desk" dataSet={{ wide: screen === 'wide' }}>
            {arrangement
              .filter((each) => isArranging || !each.isHidden)
              .map((each) => (
                <Box
                  role="region"
                  key={each.part}
                  look="desk-part"
                  aria-label={NAMES[each.part]}
                  dataSet={{ size: each.size }}
                >
                  <Heading level={2}>{NAMES[each.part]}</Heading>
                  {isArranging && <Arranging arranged={each} arrangement={arrangement} onArrange={arrange} />}
                  {!each.isHidden && SHOW[each.part](desk, DESK_LINES[each.size], isArranging)}
                </Box>
              ))}
          </Box>
        )}
        <KindsOffer />
        <DeskWays />
      </View>
    </Screen>
  );
}

interface ArrangingProps {
  arranged: ArrangedPart;
  arrangement: DeskArrangement;
  onArrange: (next: DeskArrangement) => void;
}

/** Moves, sizes or hides one part. */
function Arranging({ arranged, arrangement, onArrange }: ArrangingProps) {
  const { part, size, isHidden } = arranged;
  const change = (changes: Partial<ArrangedPart>) =>
    onArrange(arrangement.map((each) => (each.part === part ? { ...each, ...changes } : each)));
  const bigger = DESK_SIZES[(DESK_SIZES.indexOf(size) + 1) % DESK_SIZES.length]!;
  const named = (label: string) => `${label}: ${NAMES[part]}`;
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 18 }}>
      <Action label="↑ Up" aria-label={named('Up')} onPress={() => onArrange(movePart(arrangement, part, -1))} />
      <Action label="↓ Down" aria-label={named('Down')} onPress={() => onArrange(movePart(arrangement, part, 1))} />
      <Action label={`Show ${bigger}`} aria-label={named(`Show ${bigger}`)} onPress={() => change({ size: bigger })} />
      <Action
        label={isHidden ? 'Show' : 'Hide'}
        aria-label={named(isHidden ? 'Show' : 'Hide')}
        onPress={() => change({ isHidden: !isHidden })}
      />
    </View>
  );
}

/** The way to everything that has no place in the bar. */
function DeskWays() {
  const dispatch = useAppDispatch();
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 18, paddingTop: 20 }}>
      <Action label="Open Today" onPress={() => open('/today')} />
      <Action label="Tasks" onPress={() => open('/tasks')} />
      <Action label="Tray" onPress={() => open('/tray')} />
      <Action label="Jot" onPress={() => dispatch(sheetOpened({ for: 'jot' }))} />
      <Action label="Go to" onPress={() => dispatch(sheetOpened({ for: 'go' }))} />
      <Action label="Places visited" onPress={() => dispatch(sheetOpened({ for: 'visited' }))} />
      <Action label="Take back" onPress={() => void takeBack()} />
      <Action label="Do again" onPress={() => void doAgain()} />
      <Action label="Review" onPress={() => open('/review')} />
      <Action label="Kinds" onPress={() => open('/kinds')} />
      <Action label="Bin" onPress={() => open('/bin')} />
      <Action label="Settings" onPress={() => open('/settings')} />
      <Action label="Keys" onPress={() => dispatch(sheetOpened({ for: 'keys' }))} />
    </View>
  );
}
