import { View } from 'react-native';
import { WordChoice } from './Choice';

interface RadiosProps<T> {
  label: string;
  values: readonly T[];
  words: (value: T) => string;
  chosen: T;
  onChoose: (value: T) => void;
}

/** One of a few, each in words, beside each other. */
export function Radios<T extends string | number | null>({ label, values, words, chosen, onChoose }: RadiosProps<T>) {
  return (
    <View role="radiogroup" aria-label={label} style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 18 }}>
      {values.map((value) => (
        <WordChoice
          key={value}
          role="radio"
          words={words(value)}
          isChosen={value === chosen}
          onPress={() => onChoose(value)}
        />
      ))}
    </View>
  );
}
