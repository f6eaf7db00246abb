import { useState } from 'react';
import { View } from 'react-native';
import { localDay, nearDate } from '@glossarion/core/journal';
import type { BinnedEntry } from '@glossarion/core/bin';
import { problemSentence, useBinQuery, useBreaksQuery, useEmptyBinMutation, usePurgeMutation } from '../../state/api';
import { useAppDispatch } from '../../state/store';
import { noticed } from '../../state/view';
import { colour, pigmentColour } from '../../theme/tokens';
import { restore } from '../outline/entryActs';
import { holdsWords } from '../outline/holds';
import { Button } from '../../kit/Button';
import { Field } from '../../kit/Field';
import { Action } from '../../kit/Action';
import { addressOf, open } from '../../screen/navigation';
import { Screen } from '../../screen/Screen';
import { Sheet } from '../../kit/Sheet';
import { useTitle } from '../../screen/useTitle';
import { Line, Said, Words } from '../../kit/Words';
import { trailWords, whereWords } from '../../screen/words';
import { Empty } from '../../kit/Empty';
import { Box } from '../../kit/Box';
import { Way } from '../../kit/Way';

/** What was deleted: looked through, brought back, or deleted for good. */
export function BinScreen() {
  const [typed, setTyped] = useState('');
  const [doomed, setDoomed] = useState<BinnedEntry | 'all' | null>(null);
  const { data: binned = [], isSuccess } = useBinQuery(typed.trim());
  useTitle('Bin');
  return (
    <Screen label="Bin" tone={colour.ground}>
      <View style={{ paddingHorizontal: 20, paddingTop: 18, maxWidth: 680 }}>
        <Words face="writing" size={30} line={36} weight="700" role="heading" aria-level={1}>
          Bin
        </Words>
        <Words tone={colour.soft} style={{ paddingBottom: 6 }}>
          What is deleted waits here, with everything that stood beneath it. Nothing leaves it by itself.
        </Words>
        <Field
          label="Find in the bin"
          isLabelHidden
          hasTrouble={false}
          placeholder="Find in the bin"
          value={typed}
          onChangeText={setTyped}
        />
        {isSuccess && binned.length === 0 && (
          <Empty>{typed.trim() ? 'Nothing in the bin holds these words.' : 'The bin is empty.'}</Empty>
        )}
        <Box role="list" look="findings">
          {binned.map((entry) => (
            <BinnedLine key={entry.id} entry={entry} onDoom={() => setDoomed(entry)} />
          ))}
        </Box>
        {binned.length > 0 && !typed.trim() && (
          <Action label="Empty the bin" tone={colour.vermilion} onPress={() => setDoomed('all')} />
        )}
      </View>
      {doomed === 'all' && <EmptySheet count={binned.length} onClose={() => setDoomed(null)} />}
      {doomed && doomed !== 'all' && <DoomSheet entry={doomed} onClose={() => setDoomed(null)} />}
    </Screen>
  );
}

function BinnedLine({ entry, onDoom }: { entry: BinnedEntry; onDoom: () => void }) {
  const deleted = nearDate(localDay(new Date(entry.deletedAt)), localDay(new Date()));
  return (
    <Box role="listitem" look="binned" style={{ borderInlineStartColor: pigmentColour(entry.pigment) }}>
      <Way
        look="finding-title"
        to={addressOf(entry)}
        dir="auto"
        onOpen={(event) => {
          if (event.metaKey || event.ctrlKey || entry.kind !== 'page') return;
          event.preventDefault();
          open(addressOf(entry));
        }}
      >
        {entry.title}
      </Way>
      <Said look="finding-trail">
        {[
          whereWords(entry) || entry.kind,
          entry.withTitle ? `went along with “${entry.withTitle}”` : holdsWords(entry).replace(/\.$/u, ''),
          `deleted ${deleted}`,
        ].join(' · ')}
      </Said>
      <Box look="binned-deeds">
        <Action label="Bring back" aria-label={`Bring back ${entry.title}`} onPress={() => void restore(entry)} />
        {!entry.withId && (
          <Action
            label="Delete for good"
            aria-label={`Delete ${entry.title} for good`}
            tone={colour.vermilion}
            onPress={onDoom}
          />
        )}
      </Box>
    </Box>
  );
}

/** Says what will break, and deletes for good only then. */
function DoomSheet({ entry, onClose }: { entry: BinnedEntry; onClose: () => void }) {
  const { data: breaks } = useBreaksQuery(entry.id);
  const [purge, { isLoading }] = usePurgeMutation();
  const dispatch = useAppDispatch();
  const doom = async () => {
    try {
      await purge(entry.id).unwrap();
      dispatch(noticed({ words: `“${entry.title}” is gone for good.` }));
    } catch (error) {
      dispatch(noticed({ words: problemSentence(error) }));
    }
    onClose();
  };
  if (!breaks) return null;
  const links = breaks.links === 1 ? 'One link' : `${breaks.links} links`;
  return (
    <Sheet title={`Delete “${entry.title}” for good`} onClose={onClose}>
      <Words size={17} style={{ paddingBottom: 8 }}>
        This can’t be taken back. {holdsWords(entry)}
      </Words>
      <Words size={17} weight="700">
        {breaks.links === 0 ? 'Nothing points at it: no link will break.' : `${links} will break, on these pages:`}
      </Words>
      <Box role="list" look="breaking">
        {breaks.from.map(({ page, links: number }) => (
          <Line role="listitem" key={page.id}>
            {page.title}{' '}
            <Said>{[trailWords(page.trail), number > 1 ? `${number} links` : ''].filter(Boolean).join(' · ')}</Said>
          </Line>
        ))}
      </Box>
      <Button label="Delete for good" isDanger isBusy={isLoading} onPress={() => void doom()} />
    </Sheet>
  );
}

function EmptySheet({ count, onClose }: { count: number; onClose: () => void }) {
  const [empty, { isLoading }] = useEmptyBinMutation();
  const dispatch = useAppDispatch();
  const doom = async () => {
    try {
      const { gone } = await empty().unwrap();
      dispatch(noticed({ words: `The bin was emptied: ${gone} deleted for good.` }));
    } catch (error) {
      dispatch(noticed({ words: problemSentence(error) }));
    }
    onClose();
  };
  return (
    <Sheet title="Empty the bin" onClose={onClose}>
      <Words size={17} style={{ paddingBottom: 12 }}>
        {count === 1 ? 'One deletion' : `${count} deletions`}, with everything beneath, will be gone for good. This
        can’t be taken back. Links to what is gone go on saying what it was called.
      </Words>
      <Button label="Empty the bin" isDanger isBusy={isLoading} onPress={() => void doom()} />
    </Sheet>
  );
}
