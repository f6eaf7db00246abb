import { Input } from '@rneui/themed';
import { usePathname } from 'expo-router';
import { useEffect, useState } from 'react';
import { newId } from '@glossarion/core/document';
import { foldWords } from '@glossarion/core/find';
import {
  problemSentence,
  useEntryQuery,
  useMakeEntryMutation,
  useNamesQuery,
  useNotebooksQuery,
  useRecentQuery,
} from '../../state/api';
import type { Target } from '../../state/types';
import { colour } from '../../theme/tokens';
import { usePageHere } from '../outline/useNotebookHere';
import { addressOf, open } from '../shell/navigation';
import { Sheet } from '../shell/Sheet';
import { Words } from '../shell/Words';
import { trailWords } from '../trail/words';

interface Choice {
  key: string;
  words: string;
  detail: string;
  isNew?: boolean;
  choose: () => Promise<void> | void;
}

/** Some letters of a name, Enter: there. A page that is not there yet is made. */
export function GoTo({ onClose }: { onClose: () => void }) {
  const [typed, setTyped] = useState('');
  const [chosen, setChosen] = useState(0);
  const [trouble, setTrouble] = useState<string | null>(null);
  const name = typed.trim();
  const { currentData: named } = useNamesQuery(name, { skip: name === '' });
  const { data: recent = [] } = useRecentQuery();
  const { data: notebooks = [] } = useNotebooksQuery();
  const pageId = usePageHere(usePathname());
  const { currentData: here } = useEntryQuery(pageId ?? '', { skip: !pageId });
  const [make] = useMakeEntryMutation();

  useEffect(() => setChosen(0), [name]);

  const goTo = (target: Target): Choice => ({
    key: target.id,
    words: target.title,
    detail: target.day ? 'Journal' : trailWords(target.trail) || target.kind,
    choose: () => {
      onClose();
      open(addressOf(target));
    },
  });
  const parent = here?.parentId
    ? { id: here.parentId, name: here.trail[here.trail.length - 1]?.name ?? '' }
    : notebooks[0];
  const found = name === '' ? recent : (named ?? []);
  const choices = found.slice(0, 9).map(goTo);
  const isThere = found.some((target) => foldWords(target.title) === foldWords(name));
  if (name !== '' && named && !isThere && parent) {
    choices.push({
      key: 'new',
      words: `New page “${name}”`,
      detail: `in ${parent.name}`,
      isNew: true,
      choose: async () => {
        const id = newId();
        try {
          await make({ id, kind: 'page', parentId: parent.id, name }).unwrap();
          onClose();
          open(`/p/${id}`);
        } catch (error) {
          setTrouble(problemSentence(error));
        }
      },
    });
  }
  const active = Math.min(chosen, choices.length - 1);

  return (
    <Sheet title="Go to" onClose={onClose}>
      <Input
        autoFocus
        aria-label="Go to"
        role="combobox"
        aria-expanded
        aria-controls="go-choices"
        placeholder="Some letters of a name"
        placeholderTextColor={colour.soft}
        value={typed}
        onChangeText={setTyped}
        autoCorrect={false}
        autoCapitalize="none"
        errorStyle={{ display: 'none' }}
        onKeyPress={(event) => {
          const { key } = event.nativeEvent;
          if (key === 'ArrowDown') setChosen((active + 1) % Math.max(1, choices.length));
          else if (key === 'ArrowUp') setChosen((active - 1 + choices.length) % Math.max(1, choices.length));
          else if (key === 'Enter') void choices[active]?.choose();
          else return;
          event.preventDefault();
        }}
      />
      {trouble && (
        <Words role="alert" tone={colour.vermilion}>
          {trouble}
        </Words>
      )}
      <div role="listbox" id="go-choices" aria-label="Places" style={{ paddingTop: 8, margin: '0 -14px' }}>
        {choices.map((choice, index) => (
          <div
            key={choice.key}
            role="option"
            aria-selected={index === active}
            className={index === active ? 'choice active' : 'choice'}
            onMouseEnter={() => setChosen(index)}
            onClick={() => void choice.choose()}
          >
            <span className={choice.isNew ? 'choice-words new' : 'choice-words'} dir="auto">
              {choice.words}
            </span>
            <span className="choice-detail">{choice.detail}</span>
          </div>
        ))}
      </div>
    </Sheet>
  );
}
