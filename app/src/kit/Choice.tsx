import type { ComponentType } from 'react';
import { Pressable, View, type PressableProps } from 'react-native';
import { colour, measure } from '../theme/tokens';
import { pressedBySpaceBar } from './spaceBar';
import type { WebProps } from './web';
import { Words } from './Words';

interface ChoiceProps extends Omit<PressableProps, 'onPress' | 'role'> {
  role: 'radio' | 'checkbox' | 'switch';
  onPress: () => void;
}

const OnWeb = Pressable as ComponentType<PressableProps & Pick<WebProps, 'onKeyDown'>>;

/** One of several that is chosen, or something that is ticked or switched: by a tap, a click, Enter or the space bar. */
export function Choice({ onPress, ...rest }: ChoiceProps) {
  return <OnWeb {...rest} onPress={onPress} onKeyDown={pressedBySpaceBar(rest.role, onPress)} />;
}

interface WordChoiceProps {
  role: 'radio' | 'checkbox';
  words: string;
  isChosen: boolean;
  onPress: () => void;
}

/** How far a choice in words reaches to either side of them. */
const AROUND = 6;

/** The same in words that are underlined where they are chosen; of several that may be, none moves for it. */
export function WordChoice({ role, words, isChosen, onPress }: WordChoiceProps) {
  return (
    <Choice
      role={role}
      aria-checked={isChosen}
      onPress={onPress}
      style={{
        minHeight: measure.touch,
        minWidth: measure.touch,
        alignItems: 'flex-start',
        // A short word is touched as easily as a long one, and stands no further from the next.
        paddingHorizontal: AROUND,
        marginHorizontal: -AROUND,
      }}
    >
      <View
        style={{
          flexGrow: 1,
          justifyContent: 'center',
          borderBottomWidth: 3,
          borderBottomColor: isChosen ? colour.vermilion : 'transparent',
        }}
      >
        <Words size={17} weight={isChosen && role === 'radio' ? '700' : '400'}>
          {words}
        </Words>
      </View>
    </Choice>
  );
}
