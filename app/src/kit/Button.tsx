import ElementsButton from '@rneui/themed/dist/Button';
import type { ViewStyle } from 'react-native';
import { colour } from '../theme/tokens';

interface ButtonProps {
  label: string;
  onPress: () => void;
  /** Whether it is being done. */
  isBusy?: boolean;
  isDisabled?: boolean;
  /** Whether what it does can’t be taken back. */
  isDanger?: boolean;
  style?: ViewStyle;
}

/** The one main act of a form or a sheet: a verb. */
export function Button({ label, onPress, isBusy = false, isDisabled = false, isDanger = false, style }: ButtonProps) {
  return (
    <ElementsButton
      title={label}
      onPress={onPress}
      loading={isBusy}
      disabled={isDisabled}
      // The theme's own is what is not said here: an undefined one would take its place.
      {...(isDanger && { buttonStyle: { backgroundColor: colour.vermilion } })}
      containerStyle={style}
    />
  );
}
