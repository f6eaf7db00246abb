import { useState } from 'react';
import type { Act } from '@glossarion/core/acts';
import { newId } from '@glossarion/core/document';
import type { Field } from '@glossarion/core/kinds';
import { foldWords } from '@glossarion/core/words';
import { Action } from '../../kit/Action';
import { Box } from '../../kit/Box';
import { ChoiceSheet, type Choice } from '../../kit/ChoiceSheet';
import { Said } from '../../kit/Words';
import { linkWords, placeWords } from '../../screen/words';
import { useNamesQuery, useNotebooksQuery } from '../../state/api';
import { perform } from '../../state/deeds';
import { useAppSelector } from '../../state/store';
import { useKinds } from './known';
import { usePagesOfKindQuery } from './queries';

interface PagesSheetProps {
  field: Field;
  chosen: readonly string[];
  onChange: (pages: readonly string[]) => void;
  onClose: () => void;
}

const SHOWN = 9;
/** Pages of a kind that are offered by their letters without asking for each letter. */
const OFFERED = 500;

/** The pages that a field leads to: taken away, and added by some letters; those of its kind are offered first. */
export function PagesSheet({ field, chosen, onChange, onClose }: PagesSheetProps) {
  const [typed, setTyped] = useState('');
  const name = typed.trim();
  const kinds = useKinds();
  const kind = field.ofKind === null ? undefined : kinds.get(field.ofKind);
  const { data: ofKind } = usePagesOfKindQuery({ id: field.ofKind ?? '', limit: OFFERED }, { skip: !kind });
  const { currentData: named = [] } = useNamesQuery(name, { skip: name === '' });
  const { data: notebooks = [] } = useNotebooksQuery();
  const known = useAppSelector((state) => state.targets.known);
  const isOf = new Set(ofKind?.pages.map(({ id }) => id));
  const letters = foldWords(name).split(' ').filter(Boolean);
  const first = (ofKind?.targets ?? []).filter(
    ({ id, title }) => isOf.has(id) && letters.every((each) => foldWords(title).includes(each)),
  );
  const others = named.filter(({ id, kind: of }) => of === 'page' && !isOf.has(id));
  const add = (id: string) => {
    onChange([...chosen, id]);
    setTyped('');
  };
  const offered = [...new Map([...first, ...others].map((target) => [target.id, target])).values()];
  const choices: Choice[] = offered
    .filter(({ id }) => !chosen.includes(id))
    .slice(0, SHOWN)
    .map((target) => ({
      key: target.id,
      words: target.title,
      detail: placeWords(target),
      choose: () => add(target.id),
    }));
  const holder = kind?.placeId ?? notebooks[0]?.id;
  if (name !== '' && holder && !offered.some(({ title }) => foldWords(title) === foldWords(name))) {
    choices.push({
      key: 'new',
      words: `Make “${name}”`,
      detail: kind ? `a page of the kind “${kind.name}”` : 'a page',
      isNew: true,
      choose: async () => {
        const id = newId();
        const made = kind ? [kind.id] : [];
        const act: Act = { do: 'make', id, kind: 'page', parentId: holder, name, kinds: made };
        if (await perform([act], `“${name}” is made.`)) add(id);
      },
    });
  }
  return (
    <ChoiceSheet
      title={field.name}
      placeholder={kind ? `Some letters of a ${kind.name}` : 'Some letters of a page'}
      typed={typed}
      onType={setTyped}
      choices={choices}
      emptyWords={name === '' ? 'Type some letters of a page.' : 'Nothing is called so.'}
      onClose={onClose}
    >
      {chosen.length > 0 && (
        <Box role="list" look="field-chosen" aria-label={`Now in ${field.name}`}>
          {chosen.map((id) => (
            <Box role="listitem" key={id} look="field-chosen-line">
              <Said dir="auto">{linkWords(known[id])}</Said>
              <Action
                label={`Take away ${linkWords(known[id])}`}
                onPress={() => onChange(chosen.filter((each) => each !== id))}
              />
            </Box>
          ))}
        </Box>
      )}
    </ChoiceSheet>
  );
}
