import { Link, usePathname } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, View, useWindowDimensions } from 'react-native';
import { useNotebooksQuery } from '../../state/api';
import { useAppDispatch, useAppSelector } from '../../state/store';
import { goOpened, keysOpened, noticed } from '../../state/view';
import { colour, measure } from '../../theme/tokens';
import { GoTo } from '../find/GoTo';
import { KeysSheet } from '../keys/KeysSheet';
import { useKeys } from '../keys/useKeys';
import { ContentsPanel } from '../outline/ContentsPanel';
import { Pile } from '../outline/Pile';
import { useRestore } from '../outline/useRestore';
import { Action } from './Action';
import { SavingSign } from './SavingSign';
import { Words } from './Words';

interface Place {
  label: string;
  address: string;
  isHere: (path: string) => boolean;
}

const PLACES: Place[] = [
  { label: 'Desk', address: '/desk', isHere: (path) => path.startsWith('/desk') || path.startsWith('/settings') },
  { label: 'Today', address: '/today', isHere: (path) => path.startsWith('/today') || path.startsWith('/day') },
  {
    label: 'Notebooks',
    address: '/notebooks',
    isHere: (path) => /^\/(notebooks|n|p|b)(\/|$)/u.test(path),
  },
  { label: 'Find', address: '/find', isHere: (path) => path.startsWith('/find') },
];

/** The frame around every screen: rail and contents on a wide one, a bar within a thumb's reach on a phone. */
export function Shell({ children }: { children: ReactNode }) {
  const { width } = useWindowDimensions();
  const isWide = width >= measure.wide;
  const dispatch = useAppDispatch();
  const { isGoOpen, isKeysOpen } = useAppSelector((state) => state.view);
  useKeys();
  return (
    <View style={{ flex: 1, flexDirection: 'row', height: '100%', backgroundColor: colour.leaf }}>
      {isWide && <Rail />}
      {width >= measure.withContents && <ContentsPanel />}
      <View style={{ flex: 1, minWidth: 0 }}>{children}</View>
      {!isWide && <Bar />}
      <Notice />
      {isGoOpen && <GoTo onClose={() => dispatch(goOpened(false))} />}
      {isKeysOpen && <KeysSheet onClose={() => dispatch(keysOpened(false))} />}
    </View>
  );
}

function Rail() {
  const path = usePathname();
  const { data: notebooks = [] } = useNotebooksQuery();
  return (
    <View
      role="navigation"
      aria-label="Places"
      style={{
        width: measure.rail,
        backgroundColor: colour.shelf,
        borderRightWidth: 1,
        borderRightColor: colour.rule,
        paddingTop: 12,
        height: '100%',
      }}
    >
      {PLACES.map((place) => (
        <RailLink key={place.label} place={place} isHere={place.isHere(path)} />
      ))}
      <View style={{ flex: 1, paddingTop: 16, overflow: 'scroll' }}>
        <Pile notebooks={notebooks} />
      </View>
      <View style={{ padding: 14 }}>
        <SavingSign />
      </View>
    </View>
  );
}

function RailLink({ place, isHere }: { place: Place; isHere: boolean }) {
  return (
    <Link href={place.address as never} asChild>
      <Pressable
        role="link"
        aria-current={isHere ? 'page' : undefined}
        style={{
          paddingVertical: 6,
          paddingLeft: 17,
          borderLeftWidth: 3,
          borderLeftColor: isHere ? colour.vermilion : 'transparent',
        }}
      >
        <Words weight={isHere ? '700' : '400'} tone={isHere ? colour.vermilion : colour.soft} line={22}>
          {place.label}
        </Words>
      </Pressable>
    </Link>
  );
}

function Bar() {
  const path = usePathname();
  return (
    <View
      role="navigation"
      aria-label="Places"
      style={{
        position: 'fixed' as 'absolute',
        bottom: 0,
        left: 0,
        right: 0,
        height: measure.bar,
        flexDirection: 'row',
        backgroundColor: colour.shelf,
        borderTopWidth: 1,
        borderTopColor: colour.rule,
        zIndex: 20,
      }}
    >
      {PLACES.map((place) => {
        const isHere = place.isHere(path);
        return (
          <Link key={place.label} href={place.address as never} asChild>
            <Pressable
              role="link"
              aria-current={isHere ? 'page' : undefined}
              style={{
                flex: 1,
                alignItems: 'center',
                justifyContent: 'center',
                borderTopWidth: 3,
                borderTopColor: isHere ? colour.vermilion : 'transparent',
              }}
            >
              <Words size={15} weight={isHere ? '700' : '400'} tone={isHere ? colour.vermilion : colour.soft}>
                {place.label}
              </Words>
            </Pressable>
          </Link>
        );
      })}
    </View>
  );
}

/** A short notice at the foot, with one action to take the act back. */
function Notice() {
  const notice = useAppSelector((state) => state.view.notice);
  const dispatch = useAppDispatch();
  const restore = useRestore();
  if (!notice) return null;
  const { undo } = notice;
  return (
    <View
      role="status"
      style={{
        position: 'fixed' as 'absolute',
        bottom: measure.bar + 12,
        left: 16,
        right: 16,
        maxWidth: 520,
        marginHorizontal: 'auto',
        backgroundColor: colour.leaf,
        borderWidth: 1,
        borderColor: colour.rule,
        borderLeftWidth: 4,
        borderLeftColor: colour.ochre,
        boxShadow: `0 6px 24px ${colour.shadow}`,
        borderRadius: 3,
        flexDirection: 'row',
        alignItems: 'center',
        paddingLeft: 14,
        paddingRight: 8,
        gap: 18,
        zIndex: 50,
      }}
    >
      <Words style={{ flex: 1, paddingVertical: 10 }}>{notice.words}</Words>
      {undo && <Action label={undo.label} onPress={() => void restore(undo.entryId)} />}
      <Action label="Close" tone={colour.soft} onPress={() => dispatch(noticed(null))} />
    </View>
  );
}
