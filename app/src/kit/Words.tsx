import { forwardRef } from 'react';
import type { TextStyle } from 'react-native';
import { grown } from '../theme/rem';
import { colour, face } from '../theme/tokens';
import { look as lookOf } from './look';
import { WebText, type WebProps, type WebStyle } from './web';

interface SaidProps extends Omit<WebProps, 'style'> {
  numberOfLines?: number;
  testID?: string;
}

interface WordsProps extends SaidProps {
  face?: keyof typeof face;
  size?: number;
  line?: number;
  weight?: '400' | '500' | '700';
  tone?: string;
  style?: TextStyle | TextStyle[];
}

/** Lettering of the interface: every text outside a page's own goes through here. */
export const Words = forwardRef<HTMLElement, WordsProps>(function Words(
  { face: chosen = 'interface', size = 16, line, weight = '400', tone = colour.ink, style, ...rest },
  ref,
) {
  return (
    <WebText
      ref={ref}
      {...rest}
      style={[
        {
          fontFamily: face[chosen],
          fontSize: grown(size),
          lineHeight: grown(line ?? Math.round(size * 1.3)),
          fontWeight: weight,
          color: tone,
        },
        style,
      ]}
    />
  );
});

interface LetteringProps extends SaidProps {
  /** Classes of the product’s sheets. */
  look?: string;
  style?: WebStyle;
}

/** Words within what is lettered already: they take its lettering, or what their look says. */
export const Said = forwardRef<HTMLElement, LetteringProps>(function Said({ look = '', style, ...rest }, ref) {
  return <WebText ref={ref} {...rest} style={[lookOf(`kit-words ${look}`), style]} />;
});

/** A line of such words, on its own. */
export const Line = forwardRef<HTMLElement, LetteringProps>(function Line({ look = '', style, ...rest }, ref) {
  return <WebText ref={ref} {...rest} style={[lookOf(`kit-words kit-line ${look}`), style]} />;
});

/** A sentence or more of such words. */
export const Paragraph = (props: LetteringProps) => <Line role="paragraph" {...props} />;

/** The head of what follows it. */
export function Heading({ level, ...rest }: LetteringProps & { level: 1 | 2 | 3 }) {
  return <Line role="heading" aria-level={level} {...rest} />;
}

/** Words that were looked for. */
export const Mark = (props: { children: string }) => <Said role="mark" look="marked" {...props} />;
