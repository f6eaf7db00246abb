import { useLayoutEffect, useRef } from 'react';
import { look as lookOf } from './look';
import { useSteadyCursor } from './useSteadyCursor';
import { WebTextInput } from './web';

interface InlineFieldProps {
  label: string;
  initial: string;
  look: string;
  /** The words that were typed, or null when Esc left them. Called once. */
  onDone: (words: string | null) => void;
  /** Whether leaving the field keeps what was typed. */
  isKeptOnLeaving?: boolean;
}

/** Some words changed where they stand: Enter keeps them, Esc leaves them as they were. */
export function InlineField({ label, initial, look, onDone, isKeptOnLeaving = false }: InlineFieldProps) {
  const field = useRef<HTMLInputElement>(null);
  const isOver = useRef(false);
  useSteadyCursor();
  // With the drawing, so that no key comes between.
  useLayoutEffect(() => {
    field.current?.focus();
    field.current?.select();
  }, []);
  const leave = (isKept: boolean) => {
    if (isOver.current) return;
    isOver.current = true;
    onDone(isKept ? (field.current?.value ?? '') : null);
  };
  return (
    <WebTextInput
      ref={field}
      aria-label={label}
      defaultValue={initial}
      submitBehavior="submit"
      // Esc is the field's own, not that of what it stands in.
      dataSet={{ takesEscape: true }}
      style={lookOf(`kit-words ${look}`)}
      onClick={(event) => {
        event.preventDefault();
        event.stopPropagation();
      }}
      onBlur={() => isKeptOnLeaving && leave(true)}
      onSubmitEditing={() => leave(true)}
      onKeyPress={(event) => {
        if (event.nativeEvent.key === 'Escape') leave(false);
      }}
    />
  );
}
