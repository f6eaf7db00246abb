import { View } from 'react-native';
import { useAppDispatch, useAppSelector } from '../../state/store';
import { chose, sheetOpened } from '../../state/view';
import { grown, useWindowWidth } from '../../theme/rem';
import { colour, measure } from '../../theme/tokens';
import { Action } from '../../kit/Action';
import { Words } from '../../kit/Words';
import { WebView } from '../../kit/web';
import { askWhereTo, pinAll, remove, setSeason } from './entryActs';

/** What can be done with all entries that were chosen, along the bottom while any are. */
export function ChosenBar() {
  const chosen = useAppSelector((state) => state.view.chosen);
  const dispatch = useAppDispatch();
  const width = useWindowWidth();
  if (!chosen) return null;
  const leave = () => void dispatch(chose(null));
  const pageIds = chosen.filter(({ kind }) => kind === 'page').map(({ id }) => id);
  const tag = () => dispatch(sheetOpened({ for: 'wear', pageIds }));
  const tagging: [string, () => unknown][] = pageIds.length > 0 ? [['Tag…', tag]] : [];
  const deeds: [string, () => unknown][] = [
    ['Move to…', () => askWhereTo(chosen)],
    ['For later', () => setSeason(chosen, 'later').then(leave)],
    ['Lay aside', () => setSeason(chosen, 'aside').then(leave)],
    ...tagging,
    ['Pin', () => pinAll(chosen).then(leave)],
    ['Delete', () => remove(chosen).then(leave)],
  ];
  return (
    <WebView
      role="region"
      aria-label="What was chosen"
      dataSet={{ atFoot: '' }}
      style={{
        position: 'fixed' as 'absolute',
        bottom: width < measure.wide ? grown(measure.bar) : 0,
        left: 0,
        right: 0,
        zIndex: 30,
      }}
    >
      <View
        role="toolbar"
        aria-label="Chosen entries"
        style={{
          flexDirection: 'row',
          flexWrap: 'wrap',
          alignItems: 'center',
          columnGap: 16,
          paddingHorizontal: 16,
          paddingVertical: 2,
          backgroundColor: colour.leaf,
          borderTopWidth: 2,
          borderTopColor: colour.vermilion,
        }}
      >
        <Words weight="700" role="status">
          {chosen.length === 0 ? 'Tap what you choose' : `${chosen.length} chosen`}
        </Words>
        {chosen.length > 0 &&
          deeds.map(([label, act]) => <Action key={label} label={label} onPress={() => void act()} />)}
        <Action label="Done" tone={colour.soft} onPress={leave} />
      </View>
    </WebView>
  );
}
