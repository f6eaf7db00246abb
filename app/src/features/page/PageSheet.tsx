import { View } from 'react-native';
import type { PageInfo } from '../../state/types';
import { useAppDispatch } from '../../state/store';
import { sheetOpened } from '../../state/view';
import { colour } from '../../theme/tokens';
import { EntryDeeds } from '../outline/EntrySheet';
import { Action } from '../shell/Action';
import { goForward } from '../shell/navigation';
import { Sheet } from '../shell/Sheet';
import { Words } from '../shell/Words';

/** What can be done with the page that is shown. */
export function PageSheet({ info, onClose }: { info: PageInfo; onClose: () => void }) {
  const dispatch = useAppDispatch();
  return (
    <Sheet title={info.title} onClose={onClose}>
      <Words tone={colour.soft}>
        {info.wordCount} words. Changed{' '}
        {new Date(info.changedAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}.
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 18 }}>
        <Action label="Places visited" onPress={() => dispatch(sheetOpened({ for: 'visited' }))} />
        <Action
          label="Forward →"
          onPress={() => {
            onClose();
            goForward();
          }}
        />
      </View>
      <EntryDeeds entry={info} onClose={onClose} />
    </Sheet>
  );
}
