import { Button, Input } from '@rneui/themed';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { Pressable, View } from 'react-native';
import { newId } from '@glossarion/core/document';
import {
  ORNAMENTS,
  PIGMENTS,
  type EntryKind,
  type Ornament as OrnamentName,
  type Pigment,
} from '@glossarion/core/outline';
import { problemSentence, useChangeEntryMutation, useMakeEntryMutation } from '../../state/api';
import type { ContentsEntry } from '../../state/types';
import { colour, measure, spine } from '../../theme/tokens';
import { Action } from '../shell/Action';
import { open } from '../shell/navigation';
import { Sheet } from '../shell/Sheet';
import { Words } from '../shell/Words';
import { Ornament } from './Ornament';
import { useDelete } from './useRestore';

/** What the sheet is opened for. */
export type EntrySheetAim =
  { do: 'make'; kind: EntryKind; parentId: string | null; pigment?: Pigment } | { do: 'change'; entry: ContentsEntry };

interface EntrySheetProps {
  aim: EntrySheetAim;
  onAim: (aim: EntrySheetAim) => void;
  onClose: () => void;
}

interface Fields {
  name: string;
  description: string;
}

/** Makes or changes a notebook or a section, or makes a page. */
export function EntrySheet({ aim, onAim, onClose }: EntrySheetProps) {
  const kind = aim.do === 'make' ? aim.kind : aim.entry.kind;
  const present = aim.do === 'change' ? aim.entry : null;
  const [pigment, setPigment] = useState<Pigment>(
    present?.pigment ?? (aim.do === 'make' ? aim.pigment : undefined) ?? 'lapis',
  );
  const [ornament, setOrnament] = useState<OrnamentName | null>(present?.ornament ?? null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { control, handleSubmit } = useForm<Fields>({
    defaultValues: { name: present?.name ?? '', description: present?.description ?? '' },
  });
  const [make, making] = useMakeEntryMutation();
  const [change, changing] = useChangeEntryMutation();
  const remove = useDelete();

  const submit = handleSubmit(async ({ name, description }) => {
    const wish = {
      name: name.trim(),
      ...(kind === 'notebook' ? { pigment } : {}),
      ...(kind === 'section' ? { ornament } : {}),
    };
    try {
      if (aim.do === 'change') {
        await change({ id: aim.entry.id, changes: { ...wish, description: description.trim() } }).unwrap();
      } else {
        const id = newId();
        await make({ id, kind, parentId: aim.parentId, ...wish }).unwrap();
        if (kind !== 'section') open(kind === 'page' ? `/p/${id}` : `/n/${id}`);
      }
      onClose();
    } catch (error) {
      setTrouble(problemSentence(error));
    }
  });

  return (
    <Sheet key={present?.id ?? kind} title={present ? `Change ${kind}` : `New ${kind}`} onClose={onClose}>
      <Controller
        control={control}
        name="name"
        rules={{ validate: (name) => kind === 'page' || name.trim() !== '' || `A ${kind} needs a name.` }}
        render={({ field, fieldState }) => (
          <Input
            label={kind === 'page' ? 'Title' : 'Name'}
            aria-label={kind === 'page' ? 'Title' : 'Name'}
            value={field.value}
            onChangeText={field.onChange}
            onBlur={field.onBlur}
            onSubmitEditing={() => void submit()}
            errorMessage={fieldState.error?.message}
          />
        )}
      />
      {present && kind !== 'page' && (
        <Controller
          control={control}
          name="description"
          render={({ field }) => (
            <Input
              label="Described in a line"
              aria-label="Described in a line"
              value={field.value}
              onChangeText={field.onChange}
            />
          )}
        />
      )}
      {kind === 'notebook' && <PigmentChoice chosen={pigment} onChoose={setPigment} />}
      {kind === 'section' && <OrnamentChoice chosen={ornament} onChoose={setOrnament} />}
      {trouble && (
        <Words tone={colour.vermilion} role="alert" style={{ paddingVertical: 8 }}>
          {trouble}
        </Words>
      )}
      <Button
        title={present ? 'Keep changes' : `Make ${kind}`}
        onPress={() => void submit()}
        loading={making.isLoading || changing.isLoading}
        containerStyle={{ marginTop: 10 }}
      />
      {present && kind === 'section' && (
        <View style={{ paddingTop: 12 }}>
          <Action
            isLine
            label="New page here"
            onPress={() => onAim({ do: 'make', kind: 'page', parentId: present.id })}
          />
          <Action
            isLine
            label="New section within"
            onPress={() => onAim({ do: 'make', kind: 'section', parentId: present.id })}
          />
        </View>
      )}
      {present && (
        <Action
          isLine
          label={`Delete ${kind}`}
          tone={colour.vermilion}
          onPress={() => {
            onClose();
            void remove({ id: present.id, name: present.name });
          }}
        />
      )}
    </Sheet>
  );
}

function PigmentChoice({ chosen, onChoose }: { chosen: Pigment; onChoose: (pigment: Pigment) => void }) {
  return (
    <View role="radiogroup" aria-label="Pigment" style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
      {PIGMENTS.map((pigment) => (
        <Pressable
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
        </Pressable>
      ))}
    </View>
  );
}

function OrnamentChoice({
  chosen,
  onChoose,
}: {
  chosen: OrnamentName | null;
  onChoose: (ornament: OrnamentName | null) => void;
}) {
  return (
    <View role="radiogroup" aria-label="Ornament" style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 4 }}>
      {[null, ...ORNAMENTS].map((ornament) => (
        <Pressable
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
        </Pressable>
      ))}
    </View>
  );
}
