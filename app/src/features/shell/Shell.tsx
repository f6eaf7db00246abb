import { usePathname } from 'expo-router';
import { Fragment, useEffect, type ComponentType, type ReactNode } from 'react';
import { View } from 'react-native';
import { store, useAppDispatch, useAppSelector } from '../../state/store';
import { sheetOpened, textOnlyToggled } from '../../state/view';
import { grown, useWindowWidth } from '../../theme/rem';
import { colour, measure } from '../../theme/tokens';
import { KeyStrip } from '../keys/KeyStrip';
import { useKeys } from '../keys/useKeys';
import { ChosenBar } from '../outline/ChosenBar';
import { ContentsDrawer } from '../outline/ContentsDrawer';
import { ContentsPanel } from '../outline/ContentsPanel';
import { logPart } from '../margin/log/logPart';
import { LiveDrawing } from '../../editor';
import { prepareFind } from '../find/findPart';
import { foundListPart } from '../find/list/foundListPart';
import { Action } from '../../kit/Action';
import { Afterwards } from '../../kit/Afterwards';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { Way } from '../../kit/Way';
import { keepFocus } from '../../kit/keepFocus';
import { whenAtRest } from '../../kit/atRest';
import { around } from '../../kit/later';
import { WebView } from '../../kit/web';
import { openPlace } from '../../screen/navigation';
import { Notice } from './Notice';
import { Previews } from '../preview/Previews';
import { OpenSheets } from './OpenSheets';
import { SavingSign } from '../../screen/SavingSign';

whenAtRest(prepareFind);
const TasksDue = around(async () => (await import('../tasks/TasksDue')).TasksDue);
const Waiting = around(async () => (await import('../tray/part')).Waiting);
/** What draws live lists, wherever a text is shown. */
const LIVE = { Log: around(logPart('LogBlock')), FoundList: around(foundListPart('FoundListBlock')) };
const Pile = around(async () => (await import('../outline/outlineParts')).Pile);

interface Place {
  label: string;
  address: string;
  isHere: (path: string) => boolean;
  /** Whether it has a line in the rail alone: the bar has room for few. */
  onRail?: true;
  /** What is said of it at the end of its line in the rail. */
  End?: ComponentType;
}

const PLACES: Place[] = [
  { label: 'Desk', address: '/desk', isHere: (path) => /^\/(desk|settings)/u.test(path) },
  { label: 'Today', address: '/today', isHere: (path) => path.startsWith('/today') || path.startsWith('/day') },
  { label: 'Tasks', address: '/tasks', isHere: (path) => path.startsWith('/tasks'), onRail: true, End: TasksDue },
  {
    label: 'Notebooks',
    address: '/notebooks',
    isHere: (path) => /^\/(notebooks|n|p|b|bin)(\/|$)/u.test(path),
  },
  { label: 'Find', address: '/find', isHere: (path) => path.startsWith('/find') },
];

/** In the bar Jot stands in the middle, where a thumb is. */
const BEFORE_JOT = 2;

const openJot = () => void store.dispatch(sheetOpened({ for: 'jot' }));

/** Past everything that stands around it: to what can be written, else to the screen. */
function skipToText(): void {
  const text = document.querySelector<HTMLElement>('.writing[contenteditable=true]');
  (text ?? document.getElementById('main'))?.focus();
}

/** The frame around every screen: rail and contents on a wide one, a bar within a thumb's reach on a phone. */
export function Shell({ children }: { children: ReactNode }) {
  const width = useWindowWidth();
  const isWide = width >= measure.wide;
  const dispatch = useAppDispatch();
  const isTextOnly = useAppSelector((state) => state.view.isTextOnly) && isWide;
  useKeys();
  useEffect(keepFocus, []);
  return (
    <View style={{ flex: 1, flexDirection: 'row', height: '100%', backgroundColor: colour.leaf }}>
      <Way to="#main" look="skip-link" onOpen={skipToText}>
        Skip to the text
      </Way>
      {isWide && !isTextOnly && <Rail />}
      <ContentsPanel />
      <View style={{ flex: 1, minWidth: 0 }}>
        <LiveDrawing.Provider value={LIVE}>{children}</LiveDrawing.Provider>
      </View>
      {!isWide && <Bar />}
      {isTextOnly && (
        <View style={{ position: 'fixed' as 'absolute', right: 22, bottom: 8, zIndex: 20 }}>
          <Action label="Show all" tone={colour.soft} onPress={() => dispatch(textOnlyToggled())} />
        </View>
      )}
      <ContentsDrawer />
      <ChosenBar />
      <Notice />
      <KeyStrip />
      <OpenSheets />
      <Previews />
    </View>
  );
}

function Rail() {
  return (
    <View
      role="navigation"
      aria-label="Places"
      style={{
        width: grown(measure.rail),
        backgroundColor: colour.shelf,
        borderRightWidth: 1,
        borderRightColor: colour.rule,
        paddingTop: 12,
        height: '100%',
      }}
    >
      {PLACES.map((place) => (
        <PlaceLink key={place.label} place={place} look="rail-link" />
      ))}
      <Box look="rail-jot" dataSet={{ here: usePathname().startsWith('/tray') ? '' : undefined }}>
        <Tap look="rail-link" onPress={openJot}>
          Jot
        </Tap>
        <Afterwards>
          <Waiting />
        </Afterwards>
      </Box>
      <View style={{ flex: 1, paddingTop: 16, overflowY: 'auto' } as never}>
        <Afterwards>
          <Pile />
        </Afterwards>
      </View>
      <View style={{ padding: 14 }}>
        <SavingSign />
      </View>
    </View>
  );
}

function PlaceLink({ place, look }: { place: Place; look: string }) {
  const isHere = place.isHere(usePathname());
  return (
    <Way
      to={place.address}
      look={look}
      aria-current={isHere ? 'page' : undefined}
      onOpen={() => openPlace(place.address)}
    >
      {place.label}
      {place.End && (
        <Afterwards>
          <place.End />
        </Afterwards>
      )}
    </Way>
  );
}

function Bar() {
  return (
    <WebView
      role="navigation"
      aria-label="Places"
      dataSet={{ atFoot: '' }}
      style={{
        position: 'fixed' as 'absolute',
        bottom: 0,
        left: 0,
        right: 0,
        height: grown(measure.bar),
        flexDirection: 'row',
        // Where letters are large they stand in two rows.
        flexWrap: 'wrap',
        alignContent: 'stretch',
        backgroundColor: colour.shelf,
        borderTopWidth: 1,
        borderTopColor: colour.rule,
        zIndex: 20,
      }}
    >
      {PLACES.filter(({ onRail }) => !onRail).map((place, index) => (
        <Fragment key={place.label}>
          {index === BEFORE_JOT && (
            <Tap look="bar-jot" onPress={openJot}>
              Jot
            </Tap>
          )}
          <PlaceLink place={place} look="bar-link" />
        </Fragment>
      ))}
    </WebView>
  );
}
