import { useState } from 'react';
import { View } from 'react-native';
import type { Kind, KindTree } from '@glossarion/core/kinds';
import { Box } from '../../kit/Box';
import { Button } from '../../kit/Button';
import { count } from '../../kit/count';
import { Field } from '../../kit/Field';
import { Way } from '../../kit/Way';
import { Heading, Paragraph, Said } from '../../kit/Words';
import { open } from '../../screen/navigation';
import { Screen } from '../../screen/Screen';
import { useTitle } from '../../screen/useTitle';
import { colour, pigmentColour } from '../../theme/tokens';
import { computed } from './computed';
import { makeKind } from './kindActs';
import { LikelyPages } from './LikelyPages';
import { useKinds } from './known';
import { useKindsQuery } from './queries';

/** What pages can be of: each kind with what it is for, what its pages say of themselves, and how many they are. */
export function KindsScreen() {
  const kinds = useKinds();
  const { data } = useKindsQuery();
  const [typed, setTyped] = useState('');
  useTitle('Kinds');
  const name = typed.trim();
  const make = async () => {
    if (name === '') return;
    const present = kinds.named(name);
    const id = present?.id ?? (await makeKind(name));
    if (!id) return;
    setTyped('');
    open(`/kinds/${id}`);
  };
  return (
    <Screen label="Kinds" tone={colour.ground}>
      <Box look="kinds">
        <Heading level={1} look="kinds-title">
          Kinds
        </Heading>
        <Paragraph look="kinds-says">
          A kind says what pages are about: a person, a project. Each names fields, which its pages fill in beneath
          their titles, and all pages of it stand together.
        </Paragraph>
        <LikelyPages kinds={kinds} />
        <Box role="list">
          {kinds.all().map((kind) => (
            <KindLine key={kind.id} kind={kind} kinds={kinds} pages={data?.counts[kind.id] ?? 0} />
          ))}
        </Box>
        <View style={{ paddingTop: 18, maxWidth: 420 }}>
          <Field
            label="A kind of your own"
            hasTrouble={false}
            placeholder="One such page: a boat, a recipe"
            value={typed}
            onChangeText={setTyped}
            onSubmitEditing={() => void make()}
            maxLength={200}
          />
          <Button
            label="Make the kind"
            onPress={() => void make()}
            isDisabled={name === ''}
            style={{ marginTop: 10 }}
          />
        </View>
      </Box>
    </Screen>
  );
}

function KindLine({ kind, kinds, pages }: { kind: Kind; kinds: KindTree; pages: number }) {
  const address = `/kinds/${kind.id}`;
  const broader = kind.broaderId === null ? undefined : kinds.get(kind.broaderId);
  return (
    <Box role="listitem" look="kinds-line" style={{ borderInlineStartColor: pigmentColour(kind.pigment) }}>
      <Way look="kinds-name" to={address} dir="auto" onOpen={() => open(address)}>
        {kind.name}
      </Way>
      <Said look="kinds-count">{pages > 0 ? count(pages, 'page') : 'no page yet'}</Said>
      <Paragraph look="kinds-says">{shippedSays(kind, broader)}</Paragraph>
      <Paragraph look="kinds-fields">
        {kinds
          .fieldsOf(kind.id)
          .map((field) => field.name)
          .join(' · ') || 'no fields yet'}
      </Paragraph>
    </Box>
  );
}

/** What a kind is for, if it was shipped, and what it is a kind of. */
export function shippedSays({ name }: Pick<Kind, 'name'>, broader: Kind | undefined): string {
  const { SHIPPED } = computed();
  const says = Object.hasOwn(SHIPPED, name) ? SHIPPED[name as keyof typeof SHIPPED].says : '';
  return [says, broader ? `A kind of ${broader.name}.` : ''].filter(Boolean).join(' ');
}
