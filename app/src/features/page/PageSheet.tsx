import { View } from 'react-native';
import type { NodeJson } from '@glossarion/core/document';
import { splitHeadings } from '@glossarion/core/parts';
import type { EntryInfo } from '@glossarion/core/outline';
import { useAppDispatch } from '../../state/store';
import { searchOpened, sheetOpened } from '../../state/view';
import { colour } from '../../theme/tokens';
import { keepBeside } from '../beside/besideActs';
import { foldBack, splitPage } from '../parts/partActs';
import { EntryDeeds } from '../outline/EntrySheet';
import { Action } from '../../kit/Action';
import { goForward } from '../../screen/navigation';
import { Sheet } from '../../kit/Sheet';
import { Words } from '../../kit/Words';
import { Counts } from './Counts';

/** What can be done with the page that is shown. */
interface PageSheetProps {
  info: EntryInfo;
  /** The page as it stands in this window. */
  content: readonly NodeJson[];
  /** Brings back the Margin that was hidden on this page. */
  onShowMargin: (() => void) | null;
  onClose: () => void;
}

export function PageSheet({ info, content, onShowMargin, onClose }: PageSheetProps) {
  const dispatch = useAppDispatch();
  const parts = [
    ...(onShowMargin ? [{ label: 'Show its Margin again', act: onShowMargin }] : []),
    { label: 'Find and replace here', act: () => dispatch(searchOpened(true)) },
    { label: 'Keep beside', act: () => keepBeside(info.id) },
    ...(splitHeadings(content).length > 0 ? [{ label: 'Split at headings', act: () => splitPage(info.id) }] : []),
    ...(info.day === null
      ? [
          { label: 'Other names …', act: () => dispatch(sheetOpened({ for: 'names', entryId: info.id })) },
          { label: 'Merge into another page …', act: () => dispatch(sheetOpened({ for: 'merge', entryId: info.id })) },
        ]
      : []),
    ...(info.day === null ? [{ label: 'Fold back into the page above', act: () => foldBack(info.id) }] : []),
  ];
  return (
    <Sheet title={info.title} onClose={onClose}>
      <Counts content={content} />
      <Words tone={colour.soft}>
        Changed {new Date(info.changedAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}.
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
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 18 }}>
        {parts.map(({ label, act }) => (
          <Action
            key={label}
            label={label}
            onPress={() => {
              onClose();
              void act();
            }}
          />
        ))}
      </View>
      <EntryDeeds entry={info} onClose={onClose} />
    </Sheet>
  );
}
