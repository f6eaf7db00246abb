import { useEffect, useState, type ReactNode } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { View } from 'react-native';
import { colour } from '../theme/tokens';
import { Button } from './Button';
import { Field, type FieldProps } from './Field';
import { Words } from './Words';

/** A line of a form. */
export interface FormLine extends Pick<FieldProps, 'autoCapitalize' | 'autoComplete' | 'secureTextEntry'> {
  name: string;
  label: string;
  initial?: string;
  /** The sentence that says what is wrong with what was typed; null when nothing is. */
  rule?: (typed: string) => string | null;
}

/** What is said of what was sent: that it is done, or why it could not be. */
export interface FormAnswer {
  words: string;
  isTrouble: boolean;
}

export interface FormProps {
  lines: readonly FormLine[];
  /** The verb that sends it. */
  action: string;
  /** Sends what was typed, by the names of the lines. */
  onSubmit: (typed: Record<string, string>) => Promise<FormAnswer | null>;
  /** Whether the first line takes the cursor. */
  hasFocus?: boolean;
  /** What is chosen besides, between the lines and the button. */
  children?: ReactNode;
}

/** Lines that are typed and sent together. What is wrong is said at its line, before anything is sent. */
export function Form({ lines, action, onSubmit, hasFocus = false, children }: FormProps) {
  const { control, handleSubmit, formState, clearErrors, reset } = useForm<Record<string, string>>({
    defaultValues: Object.fromEntries(lines.map(({ name, initial = '' }) => [name, initial])),
  });
  const [answer, setAnswer] = useState<FormAnswer | null>(null);
  useEffect(() => {
    clearErrors();
    setAnswer(null);
  }, [action, clearErrors]);
  const submit = handleSubmit(async (typed) => {
    setAnswer(null);
    const answered = await onSubmit(typed);
    if (answered && !answered.isTrouble) reset();
    setAnswer(answered);
  });
  return (
    <View>
      {lines.map(({ name, rule, initial: _initial, ...line }, index) => (
        <Controller
          key={name}
          control={control}
          name={name}
          rules={{ validate: (typed) => rule?.(typed ?? '') ?? true }}
          render={({ field: { value = '', onChange, onBlur }, fieldState }) => (
            <Field
              {...line}
              autoFocus={hasFocus && index === 0}
              value={value}
              onChangeText={onChange}
              onBlur={onBlur}
              onSubmitEditing={() => void submit()}
              trouble={fieldState.error?.message}
            />
          )}
        />
      ))}
      {children}
      {answer && (
        <Words
          role={answer.isTrouble ? 'alert' : 'status'}
          tone={answer.isTrouble ? colour.vermilion : colour.verdigris}
          style={{ paddingBottom: 12 }}
        >
          {answer.words}
        </Words>
      )}
      <Button
        label={action}
        onPress={() => void submit()}
        isBusy={formState.isSubmitting}
        style={children ? { marginTop: 12 } : undefined}
      />
    </View>
  );
}
