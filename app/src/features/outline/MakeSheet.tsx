import { useState } from 'react';
import { View } from 'react-native';
import { newId } from '@glossarion/core/document';
import type { Act } from '@glossarion/core/acts';
import {
  ORNAMENTS,
  PIGMENTS,
  type EntryKind,
  type Ornament as OrnamentName,
  type Pigment,
  type EntryInfo,
} from '@glossarion/core/outline';
import { useEntryQuery, useNotebooksQuery } from '../../state/api';
import { colour, measure, spine } from '../../theme/tokens';
import { open } from '../../screen/navigation';
import { Choice } from '../../kit/Choice';
import { Form, type FormLine } from '../../kit/Form';
import { Sheet } from '../../kit/Sheet';
import { Words } from '../../kit/Words';
import { perform } from '../../state/deeds';
import { AwaitedSheet } from '../../screen/AwaitedSheet';
import { Ornament } from './Ornament';

interface Fields {
  name: string;
  description: string;
}

interface LookSheetProps {
  kind: EntryKind;
  present: EntryInfo | null;
  firstPigment: Pigment;
  onSubmit: (wish: Fields & { pigment: Pigment; ornament: OrnamentName | null }) => Promise<boolean>;
  onClose: () => void;
}

/** Makes a notebook, a section or a page where it was asked for. */
export function MakeSheet(props: { kind: EntryKind; parentId: string | null; onClose: () => void }) {
  const { kind, parentId, onClose } = props;
  const asked = useNotebooksQuery();
  const { data: notebooks } = asked;
  if (!notebooks) return <AwaitedSheet asked={asked} onClose={onClose} />;
  // The first pigment that no notebook has yet.
  const free =
    PIGMENTS.find((pigment) => notebooks.every((notebook) => notebook.pigment !== pigment)) ??
    PIGMENTS[notebooks.length % PIGMENTS.length]!;
  return (
    <LookSheet
      kind={kind}
      present={null}
      firstPigment={free}
      onClose={onClose}
      onSubmit={async ({ name, description, pigment, ornament }) => {
        const id = newId();
        const look = kind === 'notebook' ? { pigment } : kind === 'section' ? { ornament } : {};
        const isDone = await perform([{ do: 'make', id, kind, parentId, name, description, ...look }], null);
        if (isDone && kind !== 'section') open(kind === 'page' ? `/p/${id}` : `/n/${id}`);
        return isDone;
      }}
    />
  );
}

/** Renames a notebook or a section, describes it, and changes its pigment or ornament. */
export function DescribeSheet({ entryId, onClose }: { entryId: string; onClose: () => void }) {
  const asked = useEntryQuery(entryId);
  const { data: entry } = asked;
  if (!entry) return <AwaitedSheet asked={asked} onClose={onClose} />;
  return (
    <LookSheet
      kind={entry.kind}
      present={entry}
      firstPigment={entry.pigment ?? 'lapis'}
      onClose={onClose}
      onSubmit={({ name, description, pigment, ornament }) => {
        const look = entry.kind === 'notebook' ? { pigment } : { ornament };
        const acts: Act[] = [{ do: 'describe', id: entry.id, description, ...look }];
        if (name !== entry.name) acts.push({ do: 'name', id: entry.id, name });
        return perform(acts, `“${name}” was changed.`);
      }}
    />
  );
}

function LookSheet({ kind, present, firstPigment, onSubmit, onClose }: LookSheetProps) {
  const [pigment, setPigment] = useState(firstPigment);
  const [ornament, setOrnament] = useState<OrnamentName | null>(present?.ornament ?? null);
  const nameTrouble = (typed: string) => (kind === 'page' || typed.trim() !== '' ? null : `A ${kind} needs a name.`);
  const lines: FormLine[] = [
    { name: 'name', label: kind === 'page' ? 'Title' : 'Name', initial: present?.name, rule: nameTrouble },
  ];
  if (kind !== 'page') {
    lines.push({ name: 'description', label: 'Described in a line', initial: present?.description });
  }
  const submit = async ({ name = '', description = '' }: Record<string, string>) => {
    if (await onSubmit({ name: name.trim(), description: description.trim(), pigment, ornament })) onClose();
    return null;
  };
  return (
    <Sheet title={present ? `Change ${kind}` : `New ${kind}`} onClose={onClose}>
      <Form lines={lines} action={present ? 'Keep changes' : `Make ${kind}`} onSubmit={submit} hasFocus>
        {kind === 'notebook' && <PigmentChoice chosen={pigment} onChoose={setPigment} />}
        {kind === 'section' && <OrnamentChoice chosen={ornament} onChoose={setOrnament} />}
      </Form>
    </Sheet>
  );
}

function PigmentChoice({ chosen, onChoose }: { chosen: Pigment; onChoose: (pigment: Pigment) => void }) {
  return (
    <View role="radiogroup" aria-label="Pigment" style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
      {PIGMENTS.map((pigment) => (
        <Choice
          key={pigment}
          role="radio"
          aria-checked={pigment === chosen}
          onPress={() => onChoose(pigment)}
          style={{
            backgroundColor: spine(pigment),
            minHeight: measure.touch,
            paddingHorizontal: 14,
            justifyContent: 'center',
            borderRadius: 2,
            borderBottomWidth: 4,
            borderBottomColor: pigment === chosen ? colour.ink : 'transparent',
          }}
        >
          <Words tone="#fff" weight={pigment === chosen ? '700' : '400'}>
            {pigment}
          </Words>
        </Choice>
      ))}
    </View>
  );
}

interface OrnamentChoiceProps {
  chosen: OrnamentName | null;
  onChoose: (ornament: OrnamentName | null) => void;
}

function OrnamentChoice({ chosen, onChoose }: OrnamentChoiceProps) {
  return (
    <View role="radiogroup" aria-label="Ornament" style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 4 }}>
      {[null, ...ORNAMENTS].map((ornament) => (
        <Choice
          key={ornament ?? 'none'}
          role="radio"
          aria-checked={ornament === chosen}
          aria-label={ornament ?? 'none'}
          onPress={() => onChoose(ornament)}
          style={{
            width: measure.touch,
            height: measure.touch,
            alignItems: 'center',
            justifyContent: 'center',
            borderBottomWidth: 2,
            borderBottomColor: ornament === chosen ? colour.vermilion : 'transparent',
          }}
        >
          {ornament ? <Ornament name={ornament} tone={colour.ink} size={22} /> : <Words tone={colour.soft}>none</Words>}
        </Choice>
      ))}
    </View>
  );
}
