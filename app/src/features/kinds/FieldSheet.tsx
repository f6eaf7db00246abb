import { useState } from 'react';
import { HIGHLIGHTS, newId } from '@glossarion/core/document';
import type { Choice, Field, FieldTypeName, Kind, KindTree, Loss } from '@glossarion/core/kinds';
import { Action } from '../../kit/Action';
import { Box } from '../../kit/Box';
import { Button } from '../../kit/Button';
import { count } from '../../kit/count';
import { Field as FieldLine } from '../../kit/Field';
import { PickOne } from '../../kit/PickOne';
import { Sheet } from '../../kit/Sheet';
import { Tap } from '../../kit/Tap';
import { Line, Paragraph, Said } from '../../kit/Words';
import { linkWords } from '../../screen/words';
import { colour } from '../../theme/tokens';
import { computed } from './computed';
import { setField } from './kindActs';
import { useHeldOfFieldQuery } from './queries';

interface FieldSheetProps {
  kind: Kind;
  kinds: KindTree;
  /** Null for a new one. */
  field: Field | null;
  onClose: () => void;
}

const SHOWN = 4;

/** What a field of a kind is. Before it becomes something else it says what can’t be taken over; nothing is lost by it. */
export function FieldSheet({ kind, kinds, field, onClose }: FieldSheetProps) {
  const { FIELD_TYPES, FIELD_TYPE_NAMES, lossOf } = computed();
  const [id] = useState(() => field?.id ?? newId());
  const [name, setName] = useState(field?.name ?? '');
  const [type, setType] = useState<FieldTypeName>(field?.type ?? 'text');
  const [unit, setUnit] = useState(field?.unit ?? '');
  const [choices, setChoices] = useState<readonly Choice[]>(field?.choices ?? []);
  const [ofKind, setOfKind] = useState(field?.ofKind ?? null);
  const { data: held } = useHeldOfFieldQuery(id, { skip: field === null });
  const { options } = FIELD_TYPES[type];
  const present: Field = field ?? {
    id,
    kindId: kind.id,
    name,
    type,
    order: '',
    unit,
    choices,
    ofKind,
    isDeleted: false,
  };
  const next: Field = { ...present, name: name.trim(), type, unit: unit.trim(), choices, ofKind };
  const titleOf = (pageId: string) => linkWords(held?.targets.find((target) => target.id === pageId));
  const losses = field && held ? lossOf(held.held, field, next, titleOf) : [];
  const gone = field && held ? lossOf(held.held, field, { ...field, isDeleted: true }, titleOf) : [];
  const keep = async () => {
    const words = field ? `“${next.name}” was changed.` : `Pages of the kind “${kind.name}” say “${next.name}”.`;
    if (await setField(present, { name: next.name, type, unit: next.unit, choices, ofKind }, words)) onClose();
  };
  return (
    <Sheet title={field ? `The field “${field.name}”` : `A field of “${kind.name}”`} onClose={onClose}>
      <FieldLine
        label="What it is called"
        hasTrouble={false}
        autoFocus={field === null}
        value={name}
        onChangeText={setName}
        onSubmitEditing={() => name.trim() !== '' && void keep()}
        maxLength={200}
      />
      <PickOne
        label="What it holds"
        value={type}
        options={FIELD_TYPE_NAMES.map((each) => ({ value: each, words: FIELD_TYPES[each].label }))}
        onPick={setType}
      />
      {options.includes('unit') && (
        <FieldLine
          label="Counted in (m, kg, £)"
          hasTrouble={false}
          value={unit}
          onChangeText={setUnit}
          maxLength={40}
        />
      )}
      {options.includes('ofKind') && (
        <PickOne
          label="Pages of the kind"
          value={ofKind}
          options={[
            { value: null as string | null, words: 'any' },
            ...kinds.all().map((each) => ({ value: each.id as string | null, words: each.name })),
          ]}
          onPick={setOfKind}
        />
      )}
      {options.includes('choices') && <Choices choices={choices} onChange={setChoices} />}
      <LossWords losses={losses} titleOf={titleOf} />
      <Button
        label={field ? 'Keep changes' : 'Add the field'}
        onPress={() => void keep()}
        isDisabled={name.trim() === ''}
        style={{ marginTop: 12 }}
      />
      {field && (
        <Box look="field-deleting">
          {gone.length > 0 && (
            <Paragraph look="kinds-says">
              {count(gone.length, 'page')} {gone.length === 1 ? 'says' : 'say'} something in it. Deleted, it is kept
              there and shown as text.
            </Paragraph>
          )}
          <Action
            label="Delete the field"
            tone={colour.vermilion}
            onPress={async () => {
              if (await setField(field, { isDeleted: true }, `The field “${field.name}” is deleted.`)) onClose();
            }}
          />
        </Box>
      )}
    </Sheet>
  );
}

/** What could not be taken over, page by page. */
function LossWords({ losses, titleOf }: { losses: readonly Loss[]; titleOf: (id: string) => string }) {
  if (losses.length === 0) return null;
  return (
    <Box look="field-loss" role="status">
      <Line>
        {losses.length === 1 ? 'On one page this' : `On ${losses.length} pages this`} can’t be taken over. It is kept
        there, and shown as text:
      </Line>
      {losses.slice(0, SHOWN).map(({ pageId, words }) => (
        <Line key={pageId} look="field-loss-line">
          <Said>{titleOf(pageId)}: </Said>
          <Said>{words.join(', ')}</Said>
        </Line>
      ))}
      {losses.length > SHOWN && <Line>and {losses.length - SHOWN} more</Line>}
    </Box>
  );
}

const PIGMENTS: readonly Choice['pigment'][] = [null, ...HIGHLIGHTS];

const pigmentAfter = (pigment: Choice['pigment']): Choice['pigment'] =>
  PIGMENTS[(PIGMENTS.indexOf(pigment) + 1) % PIGMENTS.length]!;

/** What can be chosen: called otherwise, added, taken away. What pages hold of one that is gone is kept. */
function Choices({ choices, onChange }: { choices: readonly Choice[]; onChange: (next: readonly Choice[]) => void }) {
  const [typed, setTyped] = useState('');
  const add = () => {
    const name = typed.trim();
    if (name === '') return;
    onChange([...choices, { id: newId(), name, pigment: null, isDeleted: false }]);
    setTyped('');
  };
  const change = (id: string, changes: Partial<Choice>) =>
    onChange(choices.map((each) => (each.id === id ? { ...each, ...changes } : each)));
  return (
    <Box role="group" aria-label="What can be chosen" look="field-choices">
      {choices
        .filter(({ isDeleted }) => !isDeleted)
        .map(({ id, name, pigment }) => (
          <Box key={id} look="field-chosen-line">
            <Tap
              look="field-pigment"
              aria-label={`The pigment of ${name}: ${pigment ?? 'none'}. Change it`}
              onPress={() => change(id, { pigment: pigmentAfter(pigment) })}
            >
              <Box
                look="field-swatch"
                style={{ backgroundColor: pigment === null ? 'transparent' : `var(--${pigment})` }}
              />
            </Tap>
            <FieldLine
              label={`The choice ${name}`}
              isLabelHidden
              hasTrouble={false}
              containerStyle={{ flex: 1 }}
              value={name}
              onChangeText={(next) => change(id, { name: next })}
              maxLength={200}
            />
            <Tap
              look="field-change"
              aria-label={`Take away the choice ${name}`}
              onPress={() => change(id, { isDeleted: true })}
            >
              Take away
            </Tap>
          </Box>
        ))}
      <FieldLine
        label="Another choice"
        isLabelHidden
        hasTrouble={false}
        placeholder="Another choice"
        value={typed}
        onChangeText={setTyped}
        onSubmitEditing={add}
        onBlur={add}
        maxLength={200}
      />
    </Box>
  );
}
