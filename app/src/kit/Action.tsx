import { Pressable, type PressableProps } from 'react-native';
import { colour, measure } from '../theme/tokens';
import { Words } from './Words';

interface ActionProps extends Omit<PressableProps, 'children' | 'style'> {
  label: string;
  tone?: string;
  /** In a row of actions, or a line of its own. */
  isLine?: boolean;
}

/** A quiet button: a verb, large enough to touch. */
export function Action({ label, tone = colour.lapis, isLine, ...rest }: ActionProps) {
  return (
    <Pressable
      role="button"
      {...rest}
      style={{
        minHeight: measure.touch,
        maxWidth: '100%',
        minWidth: measure.touch,
        justifyContent: 'center',
        paddingHorizontal: isLine ? 0 : 10,
        marginLeft: isLine ? 0 : -10,
      }}
    >
      <Words size={isLine ? 18 : 16} weight="500" tone={tone}>
        {label}
      </Words>
    </Pressable>
  );
}
