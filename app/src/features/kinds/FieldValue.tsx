import { useState } from 'react';
import * as Y from 'yjs';
import { block, FIELDS, MAX_FIELD_TEXT, pageLink, textKey, type Atom } from '@glossarion/core/document';
import type { Field, Holding, Value } from '@glossarion/core/kinds';
import type { PageDocument } from '../../documents/pageDocument';
import { InlineView, SharedLine } from '../../editor';
import { Box } from '../../kit/Box';
import { InlineField } from '../../kit/InlineField';
import { Tap } from '../../kit/Tap';
import { Outside, Way } from '../../kit/Way';
import { Line, Said } from '../../kit/Words';
import { followLink } from '../../screen/followLink';
import { open } from '../../screen/navigation';
import { reading } from '../../state/typedDay';
import { ChoiceOfSheet } from './ChoiceOfSheet';
import { computed } from './computed';
import { PagesSheet } from './PagesSheet';
import { keepUnread, unreadIn } from './unread';
import { shownAtom, typedAtom, TYPED_HINTS, UNREAD } from './words';

export interface ValueProps {
  page: PageDocument;
  field: Field;
  holding: Holding;
  /** Whether it is being written in. */
  isOpen: boolean;
  onOpen: () => void;
  onWrite: (value: Value) => void;
  onDone: () => void;
}

/** What a field says, and how that is written: for each type of field. */
export function FieldValue(props: ValueProps) {
  const { field, holding, isOpen, onOpen, onDone, onWrite } = props;
  switch (field.type) {
    case 'text':
      return <TextValue {...props} />;
    case 'pages':
      return (
        <Line look="field-words" onClick={followLink}>
          {holding.pages.map((id, index) => (
            <Said key={id}>
              {index > 0 && ', '}
              <InlineView node={block('paragraph', [pageLink(id)])} />
            </Said>
          ))}
          {isOpen && <PagesSheet field={field} chosen={holding.pages} onChange={onWrite} onClose={onDone} />}
        </Line>
      );
    case 'choice':
      return (
        <Line look="field-words">
          {holding.atom !== null && <Chosen field={field} atom={holding.atom} onOpen={onOpen} />}
          {isOpen && <ChoiceOfSheet field={field} onChoose={onWrite} onClose={onDone} />}
        </Line>
      );
    case 'yesNo':
      return (
        <Line look="field-words">
          <Tap
            look="field-tap"
            aria-label={`${field.name}: ${holding.atom === true ? 'yes' : 'no'}. Change it`}
            onPress={() => onWrite(holding.atom !== true)}
          >
            {holding.atom === true ? 'yes' : 'no'}
          </Tap>
          {holding.atom !== null && (
            <Tap look="field-change" aria-label={`Take away ${field.name}`} onPress={() => onWrite(null)}>
              Take away
            </Tap>
          )}
        </Line>
      );
    default:
      return isOpen ? <TypedValue {...props} /> : <ShownValue {...props} />;
  }
}

/** Fields whose values lead elsewhere are written by way of their names, and those that say nothing but what they kept. */
const BY_NAME: readonly Field['type'][] = ['pages', 'date', 'address'];

/** What a field is called. */
export function FieldName({ field, holding, onOpen }: Pick<ValueProps, 'field' | 'holding' | 'onOpen'>) {
  const isByName = BY_NAME.includes(field.type) || (field.type !== 'text' && !computed().isFilled(holding));
  if (!isByName) return <Said look="field-name">{field.name}</Said>;
  return (
    <Tap look="field-name field-tap" aria-label={`Change ${field.name}`} onPress={onOpen}>
      {field.name}
    </Tap>
  );
}

function Chosen({ field, atom, onOpen }: Pick<ValueProps, 'field' | 'onOpen'> & { atom: Atom }) {
  const pigment = field.choices.find(({ id }) => id === atom)?.pigment;
  return (
    <Tap
      look="field-tap field-choice"
      dataSet={{ pigment: pigment ?? undefined }}
      aria-haspopup="dialog"
      aria-label={`${field.name}: ${shownAtom(atom, field)}. Change it`}
      onPress={onOpen}
    >
      {shownAtom(atom, field)}
    </Tap>
  );
}

function TextValue({ page, field, holding, onWrite, isOpen, onDone }: ValueProps) {
  const text = page.document.getMap(FIELDS).get(textKey(field.id));
  return (
    <Line look="field-words">
      <SharedLine
        text={text instanceof Y.Text ? text : null}
        words={holding.text}
        hasFocus={isOpen}
        onWrite={onWrite}
        label={field.name}
        className="field-text"
        most={MAX_FIELD_TEXT}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return;
          event.preventDefault();
          event.currentTarget.blur();
        }}
        onBlur={onDone}
      />
    </Line>
  );
}

function ShownValue({ field, holding, onOpen }: ValueProps) {
  const { atom } = holding;
  if (atom === null) return null;
  const words = shownAtom(atom, field);
  if (field.type === 'date') {
    return (
      <Line look="field-words">
        <Way to={`/day/${String(atom)}`} onOpen={() => open(`/day/${String(atom)}`)}>
          {words}
        </Way>
      </Line>
    );
  }
  if (field.type === 'address') {
    return (
      <Line look="field-words">
        <Outside address={String(atom)}>{words}</Outside>
      </Line>
    );
  }
  return (
    <Line look="field-words">
      <Tap look="field-tap" aria-label={`${field.name}: ${words}. Change it`} onPress={onOpen}>
        {words}
      </Tap>
    </Line>
  );
}

/** A value that is typed in words and read when they are done. What can't be read stays typed, with the reason. */
function TypedValue({ page, field, holding, onWrite, onDone }: ValueProps) {
  const unreadWords = UNREAD[field.type] ?? 'This can’t be read.';
  const [unread] = useState(() => unreadIn(page.pageId, field.id));
  const [trouble, setTrouble] = useState(unread === null ? null : unreadWords);
  const [typed, setTyped] = useState(unread ?? (holding.atom === null ? '' : typedAtom(holding.atom, field)));
  const take = (words: string | null) => {
    keepUnread(page.pageId, field.id, null);
    if (words === null) return onDone();
    if (words.trim() === '') {
      onWrite(null);
      return onDone();
    }
    const atom = computed().FIELD_TYPES[field.type].read!(words, field, reading());
    if (atom === null) {
      keepUnread(page.pageId, field.id, words);
      setTyped(words);
      setTrouble(unreadWords);
      return;
    }
    onWrite(atom);
    onDone();
  };
  return (
    <Box look="field-typing">
      <InlineField
        key={trouble ? `${typed} again` : 'first'}
        label={field.name}
        initial={typed}
        look="field-input"
        isKeptOnLeaving={trouble === null}
        onDone={take}
      />
      <Line look="field-hint" role={trouble ? 'alert' : undefined}>
        {trouble ?? TYPED_HINTS[field.type] ?? ''}
      </Line>
    </Box>
  );
}
