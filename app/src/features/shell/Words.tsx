import { Text, type TextProps, type TextStyle } from 'react-native';
import { colour, face } from '../../theme/tokens';

interface WordsProps extends TextProps {
  face?: keyof typeof face;
  size?: number;
  line?: number;
  weight?: '400' | '500' | '700';
  tone?: string;
  style?: TextStyle | TextStyle[];
}

/** Lettering of the interface: every text outside a page's own goes through here. */
export function Words({
  face: chosen = 'interface',
  size = 16,
  line,
  weight = '400',
  tone = colour.ink,
  style,
  ...rest
}: WordsProps) {
  return (
    <Text
      {...rest}
      style={[
        {
          fontFamily: face[chosen],
          fontSize: size,
          lineHeight: line ?? Math.round(size * 1.3),
          fontWeight: weight,
          color: tone,
        },
        ...(Array.isArray(style) ? style : style ? [style] : []),
      ]}
    />
  );
}
