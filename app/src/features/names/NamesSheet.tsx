import { useState } from 'react';
import { View } from 'react-native';
import { useEntryQuery } from '../../state/api';
import { colour } from '../../theme/tokens';
import { perform } from '../../state/deeds';
import { Action } from '../../kit/Action';
import { Button } from '../../kit/Button';
import { Field } from '../../kit/Field';
import { Sheet } from '../../kit/Sheet';
import { Words } from '../../kit/Words';
import { AwaitedSheet } from '../../screen/AwaitedSheet';

/** The other names of a page: it is found and linked by each of them. */
export function NamesSheet({ entryId, onClose }: { entryId: string; onClose: () => void }) {
  const asked = useEntryQuery(entryId);
  const { data: entry } = asked;
  const [typed, setTyped] = useState('');
  if (!entry) return <AwaitedSheet asked={asked} onClose={onClose} />;
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
      <Field
        label="Another name"
        isLabelHidden
        placeholder="Another name"
        value={typed}
        onChangeText={setTyped}
        onSubmitEditing={() => void add()}
        maxLength={400}
      />
      <Button label="Add the name" onPress={() => void add()} isDisabled={typed.trim() === ''} />
    </Sheet>
  );
}
