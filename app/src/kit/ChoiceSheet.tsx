import { useEffect, useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import type { TextInput } from 'react-native';
import { colour } from '../theme/tokens';
import { Sheet } from './Sheet';
import { count } from './count';
import { Field } from './Field';
import { hasPointerMoved } from './movedPointer';
import { takeTypedAhead } from './typedAhead';
import { Box } from './Box';
import { Line, Said, Words } from './Words';

/** Something a sheet offers: chosen by a tap, or by arrows and Enter while typing. */
export interface Choice {
  key: string;
  words: string;
  detail: string;
  isNew?: boolean;
  /** Gives a sentence when it could not be done. */
  choose: () => Promise<string | void> | void;
}

interface ChoiceSheetProps {
  title: string;
  placeholder: string;
  typed: string;
  onType: (typed: string) => void;
  choices: readonly Choice[];
  /** Said when nothing fits. */
  emptyWords?: string;
  onClose: () => void;
  children?: ReactNode;
}

/** A sheet in which some letters of a name choose among what fits. */
export function ChoiceSheet(props: ChoiceSheetProps) {
  const { title, placeholder, typed, onType, choices, emptyWords, onClose, children } = props;
  const [chosen, setChosen] = useState(0);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => setChosen(0), [typed]);
  const field = useRef<TextInput>(null);
  const ahead = useRef('');
  // What was typed ahead is typed on, not before: the cursor stands behind it, whenever the field takes the focus.
  const goBehindAhead = (input: unknown) => {
    if (ahead.current === '' || !(input instanceof HTMLInputElement) || input.value !== ahead.current) return;
    input.setSelectionRange(input.value.length, input.value.length);
  };
  useLayoutEffect(() => {
    if (ahead.current === '' || typed !== ahead.current) return;
    field.current?.focus();
    goBehindAhead(document.activeElement);
  }, [typed]);
  // Within the moment in which the field takes the focus, so that no key comes between.
  useLayoutEffect(() => {
    const taken = takeTypedAhead();
    ahead.current = taken;
    if (taken) onType(taken);
    // Once, when it opens.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  const active = Math.min(chosen, choices.length - 1);
  const choose = (choice: Choice | undefined) =>
    void Promise.resolve(choice?.choose()).then((sentence) => setTrouble(sentence ?? null));

  return (
    <Sheet title={title} onClose={onClose}>
      <Field
        ref={field}
        autoFocus
        onFocus={({ target }) => goBehindAhead(target)}
        label={title}
        isLabelHidden
        hasTrouble={false}
        role="combobox"
        aria-expanded
        aria-controls="choices"
        aria-activedescendant={choices[active] ? `choice-${choices[active].key}` : undefined}
        placeholder={placeholder}
        value={typed}
        onChangeText={onType}
        autoCorrect={false}
        autoCapitalize="none"
        onKeyPress={(event) => {
          const { key } = event.nativeEvent;
          const all = Math.max(1, choices.length);
          if (key === 'ArrowDown') setChosen((active + 1) % all);
          else if (key === 'ArrowUp') setChosen((active - 1 + all) % all);
          else if (key === 'Enter') choose(choices[active]);
          else return;
          event.preventDefault();
        }}
      />
      {children}
      {trouble && (
        <Words role="alert" tone={colour.vermilion}>
          {trouble}
        </Words>
      )}
      <Box role="listbox" id="choices" aria-label="Places" look="choices">
        {choices.map((choice, index) => (
          <Box
            key={choice.key}
            id={`choice-${choice.key}`}
            role="option"
            aria-selected={index === active}
            look={index === active ? 'choice active' : 'choice'}
            onPointerMove={(event) => hasPointerMoved(event.nativeEvent) && setChosen(index)}
            onClick={() => choose(choice)}
          >
            <Said look={choice.isNew ? 'choice-words new' : 'choice-words'} dir="auto">
              {choice.words}
            </Said>
            <Said look="choice-detail">{choice.detail}</Said>
          </Box>
        ))}
      </Box>
      <Line look="said" role="status">
        {choices.length === 0 ? (emptyWords ?? 'nothing fits') : count(choices.length, 'offer')}
      </Line>
      {choices.length === 0 && emptyWords && <Words tone={colour.soft}>{emptyWords}</Words>}
    </Sheet>
  );
}
