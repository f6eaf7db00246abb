import { Input, type InputProps } from '@rneui/themed';
import { forwardRef } from 'react';
import { Controller, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import type { TextInput } from 'react-native';
import { colour } from '../theme/tokens';

interface FieldProps extends Omit<InputProps, 'label' | 'errorMessage' | 'errorStyle' | 'ref'> {
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

interface FormFieldProps<Fields extends FieldValues> extends Omit<
  FieldProps,
  'value' | 'onChangeText' | 'onBlur' | 'trouble'
> {
  control: Control<Fields>;
  name: FieldPath<Fields>;
  /** The sentence that says what is wrong with what was typed; null when nothing is. */
  rule?: (typed: string) => string | null;
}

/** A line of a form. */
export function FormField<Fields extends FieldValues>({ control, name, rule, ...rest }: FormFieldProps<Fields>) {
  return (
    <Controller
      control={control}
      name={name}
      rules={{ validate: (typed) => rule?.(typed as string) ?? true }}
      render={({ field: { value, onChange, onBlur }, fieldState }) => (
        <Field {...rest} value={value} onChangeText={onChange} onBlur={onBlur} trouble={fieldState.error?.message} />
      )}
    />
  );
}
