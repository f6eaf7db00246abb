import { useState } from 'react';
import { Redirect } from 'expo-router';
import type { Field, Kind, KindTree } from '@glossarion/core/kinds';
import { Action } from '../../kit/Action';
import { Box } from '../../kit/Box';
import { Empty } from '../../kit/Empty';
import { InlineField } from '../../kit/InlineField';
import { later } from '../../kit/later';
import { PickOne } from '../../kit/PickOne';
import { Tap } from '../../kit/Tap';
import { Way } from '../../kit/Way';
import { Heading, Paragraph, Said } from '../../kit/Words';
import { open } from '../../screen/navigation';
import { Screen } from '../../screen/Screen';
import { useTitle } from '../../screen/useTitle';
import { linkWords } from '../../screen/words';
import { useTemplatesQuery } from '../../state/api';
import { colour, pigmentColour } from '../../theme/tokens';
import { computed } from './computed';
import { FieldSheet } from './FieldSheet';
import { describeKind } from './kindActs';
import { KindPages } from './KindPages';
import { shippedSays } from './KindsScreen';
import { useKinds } from './known';
import { useKindsQuery } from './queries';

const HolderSheet = later(async () => (await import('../parts/HolderSheet')).HolderSheet, true);

/** A kind: what it is called, what its pages say of themselves, where they begin, and all of them. */
export function KindScreen({ kindId }: { kindId: string }) {
  const kinds = useKinds();
  const kind = kinds.get(kindId);
  const { isSuccess } = useKindsQuery();
  useTitle(kind?.name ?? 'Kind');
  if (!kind) return isSuccess ? <Redirect href={'/kinds' as never} /> : <Screen label="Kind">{null}</Screen>;
  return <OpenKind kind={kind} kinds={kinds} />;
}

function OpenKind({ kind, kinds }: { kind: Kind; kinds: KindTree }) {
  const [isNaming, setNaming] = useState(false);
  const [field, setField] = useState<Field | 'new' | null>(null);
  const fields = kinds.fieldsOf(kind.id);
  const broader = kind.broaderId === null ? undefined : kinds.get(kind.broaderId);
  const rename = (name: string | null) => {
    setNaming(false);
    const next = name?.trim();
    if (next && next !== kind.name)
      void describeKind(kind.id, { name: next }, `“${kind.name}” is called “${next}” now.`);
  };
  return (
    <Screen label={kind.name} tone={colour.ground}>
      <Box look="kinds">
        <Way look="kinds-back" to="/kinds" onOpen={() => open('/kinds')}>
          Kinds
        </Way>
        {isNaming ? (
          <InlineField
            label="What the kind is called"
            initial={kind.name}
            look="kinds-naming"
            onDone={rename}
            isKeptOnLeaving
          />
        ) : (
          <Heading level={1} look="kinds-title" style={{ color: pigmentColour(kind.pigment) }}>
            {kind.name}
          </Heading>
        )}
        <Paragraph look="kinds-says">{shippedSays(kind, broader)}</Paragraph>
        {kind.isDeleted && <Paragraph look="page-state">This kind is deleted. Its pages are of it still.</Paragraph>}
        <Box look="kinds-deeds">
          <Action label="Rename" onPress={() => setNaming(true)} />
          <Action label="Add a field" onPress={() => setField('new')} />
          {kind.isDeleted ? (
            <Action
              label="Bring the kind back"
              onPress={() => void describeKind(kind.id, { isDeleted: false }, `“${kind.name}” is a kind again.`)}
            />
          ) : (
            <Action
              label="Delete the kind"
              tone={colour.vermilion}
              onPress={() =>
                void describeKind(
                  kind.id,
                  { isDeleted: true },
                  `“${kind.name}” is no kind any more. Its pages keep what they say.`,
                )
              }
            />
          )}
        </Box>
        <Box look="kinds-columns">
          <Box>
            <Heading level={2} look="kinds-head">
              Fields
            </Heading>
            {fields.length === 0 && <Empty>What its pages say of themselves: name the first field.</Empty>}
            <Box role="list">
              {fields.map((each) => (
                <FieldLine key={each.id} field={each} kind={kind} kinds={kinds} onOpen={() => setField(each)} />
              ))}
            </Box>
            <KindSettings kind={kind} kinds={kinds} />
          </Box>
          <Box>
            <Heading level={2} look="kinds-head">
              Pages
            </Heading>
            <KindPages kindId={kind.id} />
          </Box>
        </Box>
      </Box>
      {field && (
        <FieldSheet kind={kind} kinds={kinds} field={field === 'new' ? null : field} onClose={() => setField(null)} />
      )}
    </Screen>
  );
}

interface FieldLineProps {
  field: Field;
  kind: Kind;
  kinds: KindTree;
  onOpen: () => void;
}

function FieldLine({ field, kind, kinds, onOpen }: FieldLineProps) {
  const from = field.kindId === kind.id ? undefined : kinds.get(field.kindId);
  const of = field.ofKind === null ? undefined : kinds.get(field.ofKind);
  const label = computed().FIELD_TYPES[field.type].label;
  const said = [of ? `${label} of the kind “${of.name}”` : label, field.unit, from ? `from “${from.name}”` : '']
    .filter(Boolean)
    .join(', ');
  return (
    <Box role="listitem" look="kinds-field">
      <Tap look="kinds-field-tap" aria-haspopup="dialog" onPress={onOpen}>
        <Said look="kinds-field-name" dir="auto">
          {field.name}
        </Said>
        <Said look="kinds-field-said">{said}</Said>
      </Tap>
    </Box>
  );
}

/** Where pages of a kind begin, and what they take over. */
function KindSettings({ kind, kinds }: { kind: Kind; kinds: KindTree }) {
  const { data: templates = [] } = useTemplatesQuery();
  const { data } = useKindsQuery();
  const [asks, setAsks] = useState<'placeId' | 'homeId' | null>(null);
  const titleOf = (id: string) => linkWords(data?.targets.find((target) => target.id === id));
  const broader = kinds
    .all()
    .filter((each) => each.id !== kind.id && kinds.mayHaveBroader(kind.id, each.id))
    .map((each) => ({ value: each.id as string | null, words: each.name }));
  const placed = (which: 'placeId' | 'homeId', label: string, none: string) => (
    <Box look="kinds-setting">
      <Tap
        look="pick-one"
        aria-haspopup="dialog"
        aria-label={`${label}: ${kind[which] ? titleOf(kind[which]) : none}`}
        onPress={() => setAsks(which)}
      >
        <Said>{label}</Said>
        <Said look="pick-one-value" dir="auto">
          {kind[which] ? titleOf(kind[which]) : none}
        </Said>
      </Tap>
      {kind[which] && (
        <Tap
          look="field-change"
          aria-label={`Take away: ${label}`}
          onPress={() => void describeKind(kind.id, { [which]: null }, `${label}: ${none}.`)}
        >
          Take away
        </Tap>
      )}
    </Box>
  );
  return (
    <Box look="kinds-settings">
      <PickOne
        label="Takes fields over from"
        value={kind.broaderId}
        options={[{ value: null, words: 'nothing' }, ...broader]}
        onPick={(broaderId) => void describeKind(kind.id, { broaderId }, `“${kind.name}” was changed.`)}
      />
      <PickOne
        label="Its pages begin with"
        value={kind.templateId}
        options={[
          { value: null as string | null, words: 'an empty page' },
          ...templates.map(({ id, title }) => ({ value: id as string | null, words: title })),
        ]}
        onPick={(templateId) => void describeKind(kind.id, { templateId }, `“${kind.name}” was changed.`)}
      />
      {placed('placeId', 'Its pages are begun in', 'where one is')}
      {placed('homeId', 'Its home', 'this screen')}
      {asks && (
        <HolderSheet
          title={asks === 'placeId' ? 'Where are its pages begun?' : 'Which page lists them?'}
          onChoose={({ id, title }) => describeKind(kind.id, { [asks]: id }, `“${kind.name}”: “${title}”.`)}
          onClose={() => setAsks(null)}
        />
      )}
    </Box>
  );
}
