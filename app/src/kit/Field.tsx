import Input, { type InputProps } from '@rneui/themed/dist/Input';
import { forwardRef } from 'react';
import type { TextInput } from 'react-native';
import { colour } from '../theme/tokens';
import { useSteadyCursor } from './useSteadyCursor';

export interface FieldProps extends Omit<InputProps, 'label' | 'errorMessage' | 'errorStyle' | 'ref'> {
  label: string;
  /** Whether the label is said and not shown, since the place says what it is for. */
  isLabelHidden?: boolean;
  /** A sentence about what was typed. Without `hasTrouble` no room is kept for it. */
  trouble?: string;
  hasTrouble?: boolean;
}

/** A line that is typed. */
export const Field = forwardRef<TextInput, FieldProps>(function Field(
  { label, isLabelHidden = false, trouble, hasTrouble = true, ...rest },
  ref,
) {
  useSteadyCursor();
  return (
    <Input
      ref={ref as never}
      {...(!isLabelHidden && { label })}
      aria-label={label}
      aria-invalid={trouble !== undefined || undefined}
      placeholderTextColor={colour.soft}
      errorMessage={trouble}
      {...(!hasTrouble && { errorStyle: { display: 'none' } })}
      {...(rest as object)}
    />
  );
});
