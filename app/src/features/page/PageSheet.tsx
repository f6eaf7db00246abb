import { useState } from 'react';
import { View } from 'react-native';
import type { PageInfo } from '../../state/types';
import { useAppDispatch } from '../../state/store';
import { noticed } from '../../state/view';
import { colour } from '../../theme/tokens';
import { useMakePage } from '../outline/useMakePage';
import { useDelete, useRestore } from '../outline/useRestore';
import { Action } from '../shell/Action';
import { lastingAddress, open } from '../shell/navigation';
import { Sheet } from '../shell/Sheet';
import { Words } from '../shell/Words';

/** What can be done with a page. */
export function PageSheet({ info, onClose }: { info: PageInfo; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const makePage = useMakePage();
  const remove = useDelete();
  const restore = useRestore();
  const [shownLink, setShownLink] = useState<string | null>(null);

  const copyLink = async () => {
    const address = lastingAddress('p', info.id);
    try {
      await navigator.clipboard.writeText(address);
      dispatch(noticed({ words: 'The link to this page is on the clipboard.' }));
      onClose();
    } catch {
      setShownLink(address);
    }
  };

  return (
    <Sheet title={info.title} onClose={onClose}>
      <Words tone={colour.soft}>
        {info.wordCount} words. Changed{' '}
        {new Date(info.changedAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}.
      </Words>
      <View style={{ paddingTop: 6 }}>
        <Action isLine label="Copy link" onPress={() => void copyLink()} />
        {shownLink && <Words selectable>{shownLink}</Words>}
        <Action
          isLine
          label="New page beside"
          onPress={() => {
            onClose();
            void makePage('beside', info.id);
          }}
        />
        <Action
          isLine
          label="New page beneath"
          onPress={() => {
            onClose();
            void makePage('beneath', info.id);
          }}
        />
        {info.isDeleted ? (
          <Action
            isLine
            label="Bring back from the bin"
            onPress={() => {
              onClose();
              void restore(info.id);
            }}
          />
        ) : (
          <Action
            isLine
            label="Delete page"
            tone={colour.vermilion}
            onPress={() => {
              onClose();
              void remove({ id: info.id, name: info.title }).then((isDone) => {
                const holder = info.trail[info.trail.length - 1];
                if (isDone && holder) open(holder.kind === 'page' ? `/p/${holder.id}` : `/n/${holder.id}`);
              });
            }}
          />
        )}
      </View>
    </Sheet>
  );
}
