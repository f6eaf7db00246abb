import { Pressable, View } from 'react-native';
import { colour, measure } from '../theme/tokens';
import { Words } from './Words';

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
        <Pressable
          key={value}
          role="radio"
          aria-checked={value === chosen}
          onPress={() => onChoose(value)}
          style={{
            minHeight: measure.touch,
            justifyContent: 'center',
            borderBottomWidth: 3,
            borderBottomColor: value === chosen ? colour.vermilion : 'transparent',
          }}
        >
          <Words size={17} weight={value === chosen ? '700' : '400'}>
            {words(value)}
          </Words>
        </Pressable>
      ))}
    </View>
  );
}
