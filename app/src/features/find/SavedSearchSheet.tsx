import { useState } from 'react';
import { MAX_SEARCH_NAME, type SavedSearch } from '@glossarion/core/find/query';
import { newId } from '@glossarion/core/document';
import { Action } from '../../kit/Action';
import { Box } from '../../kit/Box';
import { Button } from '../../kit/Button';
import { Field } from '../../kit/Field';
import { Sheet } from '../../kit/Sheet';
import { Line } from '../../kit/Words';
import { perform } from '../../state/deeds';

interface SavedSearchSheetProps {
  /** What is saved; null for a search that is not yet. */
  search: SavedSearch | null;
  line: string;
  all: readonly SavedSearch[];
  onClose: () => void;
}

/** Names a search that is saved, puts it in another place, or lets go of it. */
export function SavedSearchSheet({ search, line, all, onClose }: SavedSearchSheetProps) {
  const [name, setName] = useState(search?.name ?? line);
  const place = all.findIndex(({ id }) => id === search?.id);
  const save = async () => {
    if (search && name.trim() === search.name) return onClose();
    const saved = { name: name.trim(), line };
    const words = search ? `The search is called “${saved.name}”.` : `“${saved.name}” is saved.`;
    if (await perform([{ do: 'saveSearch', id: search?.id ?? newId(), saved }], words)) onClose();
  };
  const put = (afterId: string | null) => () => {
    const { id, name: called } = search!;
    void perform([{ do: 'saveSearch', id, saved: { name: called, line }, afterId }], null);
  };
  const forget = async () => {
    if (await perform([{ do: 'saveSearch', id: search!.id, saved: null }], `“${search!.name}” is not saved any more.`))
      onClose();
  };
  return (
    <Sheet title={search ? 'Saved search' : 'Save this search'} onClose={onClose}>
      <Line look="find-line" dir="auto">
        {line}
      </Line>
      <Field
        autoFocus
        label="Name"
        value={name}
        maxLength={MAX_SEARCH_NAME}
        selectTextOnFocus
        onChangeText={setName}
        onSubmitEditing={() => void save()}
      />
      <Box look="find-deeds">
        <Button label="Save" isDisabled={name.trim() === ''} onPress={() => void save()} />
        {search && place > 0 && <Action label="Move up" onPress={put(all[place - 2]?.id ?? null)} />}
        {search && place < all.length - 1 && <Action label="Move down" onPress={put(all[place + 1]!.id)} />}
        {search && <Action label="Let go of it" onPress={() => void forget()} />}
      </Box>
    </Sheet>
  );
}
