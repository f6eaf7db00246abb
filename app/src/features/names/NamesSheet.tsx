import { Button, Input } from '@rneui/themed';
import { useState } from 'react';
import { View } from 'react-native';
import { useEntryQuery } from '../../state/api';
import { colour } from '../../theme/tokens';
import { perform } from '../outline/deeds';
import { Action } from '../shell/Action';
import { Sheet } from '../shell/Sheet';
import { Words } from '../shell/Words';

/** The other names of a page: it is found and linked by each of them. */
export function NamesSheet({ entryId, onClose }: { entryId: string; onClose: () => void }) {
  const { data: entry } = useEntryQuery(entryId);
  const [typed, setTyped] = useState('');
  if (!entry) return null;
  const { names, title } = entry;
  const set = (next: readonly string[], words: string) =>
    perform([{ do: 'otherNames', id: entryId, names: [...next] }], words);
  const add = async () => {
    const name = typed.trim();
    if (name === '') return;
    if (await set([...names, name], `“${title}” is also called “${name}”.`)) setTyped('');
  };
  return (
    <Sheet title={`Other names of “${title}”`} onClose={onClose}>
      <Words tone={colour.soft}>
        What else it is called: a short form, an old title, its name in another language. It is found and linked by
        each.
      </Words>
      <View role="list" style={{ marginVertical: 10 }}>
        {names.map((name) => (
          <View key={name} role="listitem" style={{ flexDirection: 'row', alignItems: 'center', gap: 12 }}>
            <Words face="writing" size={18} style={{ flex: 1 }}>
              {name}
            </Words>
            <Action
              label={`Take away ${name}`}
              onPress={() =>
                void set(
                  names.filter((each) => each !== name),
                  `“${name}” is no name of it any more.`,
                )
              }
            />
          </View>
        ))}
      </View>
      <Input
        aria-label="Another name"
        placeholder="Another name"
        placeholderTextColor={colour.soft}
        value={typed}
        onChangeText={setTyped}
        onSubmitEditing={() => void add()}
        maxLength={400}
      />
      <Button title="Add the name" onPress={() => void add()} disabled={typed.trim() === ''} />
    </Sheet>
  );
}
