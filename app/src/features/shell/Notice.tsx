import { useEffect, useRef } from 'react';
import { View } from 'react-native';
import { useAppDispatch, useAppSelector } from '../../state/store';
import { noticed } from '../../state/view';
import { colour } from '../../theme/tokens';
import { takeBack } from '../../state/deeds';
import { Action } from '../../kit/Action';
import { useFoot } from '../../kit/foot';
import { Words } from '../../kit/Words';

/** Long enough to be read and acted on; Ctrl+Z takes the act back after that too. */
const STAYS = 15_000;

/** A short notice above what stands at the foot, with one action. */
export function Notice() {
  const notice = useAppSelector((state) => state.view.notice);
  const dispatch = useAppDispatch();
  const element = useRef<View>(null);
  const bottom = useFoot(element, notice !== null);
  useEffect(() => {
    if (!notice || notice.action === 'reload') return;
    const timer = setTimeout(() => dispatch(noticed(null)), STAYS);
    return () => clearTimeout(timer);
  }, [notice, dispatch]);
  if (!notice) return null;
  return (
    <View
      ref={element}
      role="status"
      style={{
        position: 'fixed' as 'absolute',
        bottom,
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
      <Words style={{ flex: 1, paddingVertical: 10 }} numberOfLines={4}>
        {notice.words}
      </Words>
      {notice.action === 'undo' && <Action label="Undo" onPress={() => void takeBack()} />}
      {notice.action === 'reload' && <Action label="Reload" onPress={() => window.location.reload()} />}
      <Action label="Close" tone={colour.soft} onPress={() => dispatch(noticed(null))} />
    </View>
  );
}
