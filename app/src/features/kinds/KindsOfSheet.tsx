import { useState } from 'react';
import { besideOf } from '@glossarion/core/document';
import { foldWords } from '@glossarion/core/words';
import { ChoiceSheet, type Choice } from '../../kit/ChoiceSheet';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { Words } from '../../kit/Words';
import { colour } from '../../theme/tokens';
import { AwaitedSheet } from '../../screen/AwaitedSheet';
import { usePageQuery } from '../../state/api';
import { computed } from './computed';
import { makeKind, setKinds } from './kindActs';
import { useKinds } from './known';
import { useBesideHere } from './useBeside';

/** What a page is: kinds given and taken away by letters; a new one is made by its name. */
export function KindsOfSheet({ entryId, onClose }: { entryId: string; onClose: () => void }) {
  const asked = usePageQuery(entryId);
  const here = useBesideHere(entryId);
  const kinds = useKinds();
  const [typed, setTyped] = useState('');
  const info = asked.currentData;
  if (!info) return <AwaitedSheet asked={asked} onClose={onClose} />;
  const { kinds: own } = here ?? besideOf(info.body);
  const name = typed.trim();
  const wanted = foldWords(name);
  const all = kinds.all();
  const give = async (id: string, called: string) => {
    setTyped('');
    await setKinds([entryId], { add: [id] }, `“${info.title}” is of the kind “${called}”.`);
  };
  const takeAway = (id: string, called: string) =>
    void setKinds(
      [entryId],
      { remove: [id] },
      `“${info.title}” is no “${called}” any more. What it said as one is kept.`,
    );
  const choices: Choice[] = all
    .filter((kind) => !own.includes(kind.id) && foldWords(kind.name).includes(wanted))
    .map((kind) => ({
      key: kind.id,
      words: kind.name,
      detail: saidOf(
        kind.name,
        kinds.fieldsOf(kind.id).map((field) => field.name),
      ),
      choose: () => give(kind.id, kind.name),
    }));
  if (name !== '' && !kinds.named(name)) {
    choices.push({
      key: 'new',
      words: `A new kind: “${name}”`,
      detail: 'its fields are named on its own screen',
      isNew: true,
      choose: async () => {
        const id = await makeKind(name);
        if (id) await give(id, name);
      },
    });
  }
  return (
    <ChoiceSheet
      title={`What “${info.title}” is`}
      placeholder="Some letters of a kind, or a new one"
      typed={typed}
      onType={setTyped}
      choices={choices}
      emptyWords="It is of every kind there is."
      onClose={onClose}
    >
      {own.length > 0 && (
        <Box role="list" look="field-chosen" aria-label="Its kinds">
          {own.map((id) => {
            const called = kinds.get(id)?.name ?? 'a kind that is gone';
            return (
              <Box role="listitem" key={id} look="field-chosen-line">
                <Words weight="700">{called}</Words>
                <Tap look="field-change" aria-label={`Take away ${called}`} onPress={() => takeAway(id, called)}>
                  Take away
                </Tap>
              </Box>
            );
          })}
        </Box>
      )}
      {own.length === 0 && (
        <Words tone={colour.soft}>
          A kind says what a page is about: a person, a project. Pages of it say the same things of themselves, and are
          found together.
        </Words>
      )}
    </ChoiceSheet>
  );
}

/** What is said of a kind where it is offered: what it is for, or what its pages say of themselves. */
function saidOf(name: string, fields: readonly string[]): string {
  const { SHIPPED } = computed();
  const shipped = Object.hasOwn(SHIPPED, name) ? SHIPPED[name as keyof typeof SHIPPED].says : null;
  return shipped ?? fields.join(', ').toLowerCase();
}
