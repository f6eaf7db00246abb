import { View } from 'react-native';
import { useEntryQuery } from '../../state/api';
import { useAppDispatch } from '../../state/store';
import { besideOpened } from '../../state/view';
import { colour } from '../../theme/tokens';
import { Action } from '../../kit/Action';
import { open } from '../../screen/navigation';
import { putAwayBeside } from './besideActs';

/** On a phone the page that is kept beside is one tap away, and from there this one is. */
export function SwitchBar({ besideId, hereId }: { besideId: string; hereId: string }) {
  const dispatch = useAppDispatch();
  const { currentData: info } = useEntryQuery(besideId);
  if (!info) return null;
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        paddingLeft: 20,
        paddingRight: 18,
        borderBottomWidth: 1,
        borderBottomColor: colour.rule,
        columnGap: 8,
      }}
    >
      <View style={{ flex: 1, minWidth: 0 }}>
        <Action
          label={`⇄ ${info.title}`}
          aria-label={`Switch to ${info.title}`}
          onPress={() => {
            dispatch(besideOpened(hereId));
            open(info.day ? `/day/${info.day}` : `/p/${besideId}`);
          }}
        />
      </View>
      <Action label="Put away" tone={colour.soft} onPress={putAwayBeside} />
    </View>
  );
}
